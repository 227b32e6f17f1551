namespace KiteLine.Core;

/// <summary>A case of leakage in a period.</summary>
/// <param name="Item">Identifier of the item.</param>
/// <param name="Day">The value date of the payment; of a charge the day on which the books show it.</param>
/// <param name="LastDay">The last day of the discount; null of a charge.</param>
public sealed record LeakCase(
    BookAccount Account,
    long Item,
    LeakKind Kind,
    DateOnly Day,
    Money Amount,
    DateOnly? LastDay
)
{
    /// <summary>Days by which a payment missed the discount's last day; 0 otherwise.</summary>
    public int DaysLate => LastDay is { } last ? Math.Max(0, Day.DayNumber - last.DayNumber) : 0;

    /// <summary>Late charges and fees of an account that were waived or taken back in a period, as shown.</summary>
    public static IEnumerable<LeakCase> OfCharges(BookAccount account, MeasuredPeriod period)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(period);
        for (var i = 0; i < account.Items.Length; i++)
        {
            var item = account.Items[i];
            if (item.Kind is not (ItemKind.LateCharge or ItemKind.ReminderFee))
                continue;
            for (var at = item.FirstMovement; at < item.FirstMovement + item.Movements; at++)
            {
                var m = account.Movements[at];
                LeakKind? kind = m.Kind switch
                {
                    MovementKind.WriteOff when m.Minor < 0 => LeakKind.ChargeWaived,
                    MovementKind.Opened when m.Minor < 0 => LeakKind.ChargeReversed,
                    _ => null,
                };
                if (kind is { } given && period.Holds(m.ShownFrom))
                    yield return new(
                        account,
                        account.ItemIds[i],
                        given,
                        m.ShownFrom,
                        Money.FromMinor(-m.Minor, account.Currency),
                        null
                    );
            }
        }
    }
}
