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
        for (var i = 0; i < account.Items.Length; i++)
        {
            var item = account.Items[i];
            var isCharge = item.Kind is ItemKind.LateCharge or ItemKind.ReminderFee;
            if (part is MeasuredPart.Receivables or MeasuredPart.NotDue or MeasuredPart.ChargesOpen)
            {
                var asked = part switch
                {
                    MeasuredPart.NotDue => item.Due >= period.To,
                    MeasuredPart.ChargesOpen => isCharge,
                    _ => true,
                };
                if (asked && account.OpenAsShown(item, period.To) is not 0 and var open)
                    yield return new(i, item.Due, open);
                continue;
            }

            for (var at = item.FirstMovement; at < item.FirstMovement + item.Movements; at++)
                if (Adds(part, item, isCharge, account.Movements[at], period) is { } minor)
                    yield return part == MeasuredPart.Paid
                        ? Payment(i, item, account.Movements[at], minor)
                        : new(i, account.Movements[at].ShownFrom, minor);
        }
    }

    private static MeasuredDocument Payment(int at, in BookItem item, in BookMovement m, long minor) =>
        new(
            at,
            m.ValueDate,
            minor,
            m.ValueDate.DayNumber - item.Date.DayNumber,
            m.ValueDate.DayNumber - item.Due.DayNumber
        );

    private static long? Adds(
        MeasuredPart part,
        in BookItem item,
        bool isCharge,
        in BookMovement m,
        MeasuredPeriod period
    ) =>
        part switch
        {
            MeasuredPart.Paid => m.Kind == MovementKind.Cash
            && item.Kind == ItemKind.Invoice
            && period.Holds(m.ValueDate)
                ? -m.Minor
                : null,
            _ when !period.Holds(m.ShownFrom) => null,
            MeasuredPart.Sales => m.Kind == MovementKind.Opened && item.Kind is ItemKind.Invoice or ItemKind.CreditNote
                ? m.Minor
                : null,
            MeasuredPart.ChargesRaised => isCharge && m is { Kind: MovementKind.Opened, Minor: > 0 } ? m.Minor : null,
            MeasuredPart.ChargesReversed => isCharge && m is { Kind: MovementKind.Opened, Minor: < 0 }
                ? -m.Minor
                : null,
            MeasuredPart.ChargesPaid => isCharge && m.Kind == MovementKind.Cash ? -m.Minor : null,
            _ => null,
        };
}
