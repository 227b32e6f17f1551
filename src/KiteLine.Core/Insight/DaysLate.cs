namespace KiteLine.Core;

/// <summary>
/// An account's own average days late, by which the forecast and suggested limits expect its payments.
/// </summary>
public static class DaysLate
{
    /// <summary>
    /// From due date to the last cash, weighted by the amount of the item, over the invoice items that fell due in the
    /// year before a day and were settled with cash; negative is early, one decimal. Null without any.
    /// </summary>
    public static decimal? Of(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        var after = day.AddYears(-1);
        decimal weighted = 0,
            amounts = 0;
        foreach (ref readonly var item in account.Items.AsSpan())
        {
            if (item.Kind != ItemKind.Invoice || item.Due <= after || item.Date > day)
                continue;
            long open = 0;
            var paid = DateOnly.MinValue;
            var movements = account.Movements.AsSpan(item.FirstMovement, item.Movements);
            foreach (ref readonly var movement in movements)
            {
                if (movement.ShownFrom > day)
                    continue;
                open += movement.Minor;
                if (movement.Kind == MovementKind.Cash && movement.ValueDate > paid)
                    paid = movement.ValueDate;
            }

            if (open != 0 || paid == DateOnly.MinValue || movements[0].Minor <= 0)
                continue;
            weighted += (decimal)(paid.DayNumber - item.Due.DayNumber) * movements[0].Minor;
            amounts += movements[0].Minor;
        }

        return amounts == 0 ? null : Math.Round(weighted / amounts, 1);
    }
}
