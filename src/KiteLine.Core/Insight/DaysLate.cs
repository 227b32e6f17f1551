namespace KiteLine.Core;

/// <summary>
/// An account's own average days late, by which the forecast and suggested limits expect its payments.
/// </summary>
public static class DaysLate
{
    /// <summary>
    /// From due date to the last cash, weighted by the amount of the item, over the invoice items that fell due in the
    /// year before a day and were settled with cash; negative is early, one decimal. What was reversed is as if it had never
    /// been. Null without any.
    /// </summary>
    public static decimal? Of(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        account = account.WithDuesOn(day);
        var after = day.AddYears(-1);
        decimal weighted = 0,
            amounts = 0;
        foreach (ref readonly var item in account.Items.AsSpan())
        {
            if (item.Kind != ItemKind.Invoice || item.Due <= after || item.Date > day)
                continue;
            var opened = account.Movements[item.FirstMovement].Minor;
            if (opened <= 0 || account.PaidOn(item, day) is not { } paid || account.OpenAsShown(item, day) != 0)
                continue;
            weighted += (decimal)(paid.DayNumber - item.Due.DayNumber) * opened;
            amounts += opened;
        }

        return amounts == 0 ? null : Math.Round(weighted / amounts, 1);
    }
}
