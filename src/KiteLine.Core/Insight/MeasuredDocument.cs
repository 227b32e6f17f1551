namespace KiteLine.Core;

/// <summary>What one item, or one movement of it, adds to a measure.</summary>
/// <param name="Item">Its place among the account's items.</param>
/// <param name="Day">The day by which it counts.</param>
/// <param name="Minor">In minor units of the account's currency.</param>
/// <param name="DaysToPay">Of a payment: days since the invoice.</param>
/// <param name="DaysLate">Of a payment: days since the due date; negative is early.</param>
public readonly record struct MeasuredDocument(
    int Item,
    DateOnly Day,
    long Minor,
    int? DaysToPay = null,
    int? DaysLate = null
)
{
    /// <summary>What the items of an account add to a part; discounts are not told by movements alone.</summary>
    public static IEnumerable<MeasuredDocument> Of(BookAccount account, MeasuredPeriod period, MeasuredPart part)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(period);
        account = account.WithDuesOn(period.To);
        for (var i = 0; i < account.Items.Length; i++)
        {
            var item = account.Items[i];
            if (part is MeasuredPart.Receivables or MeasuredPart.NotDue or MeasuredPart.ChargesOpen)
            {
                if (
                    MeasuredMovement.CountsTo(part, item, period)
                    && account.OpenAsShown(item, period.To) is not 0 and var open
                )
                    yield return new(i, item.Due, open);
                continue;
            }

            for (var at = item.FirstMovement; at < item.FirstMovement + item.Movements; at++)
                if (
                    MeasuredMovement.Of(item, account.Movements[at]) is { } counts
                    && counts.Part == part
                    && period.Holds(counts.Day)
                )
                    yield return part == MeasuredPart.Paid
                        ? Payment(i, item, counts)
                        : new(i, counts.Day, counts.Minor);
        }
    }

    private static MeasuredDocument Payment(int at, in BookItem item, MeasuredMovement m) =>
        new(at, m.Day, m.Minor, m.Day.DayNumber - item.Date.DayNumber, m.Day.DayNumber - item.Due.DayNumber);
}
