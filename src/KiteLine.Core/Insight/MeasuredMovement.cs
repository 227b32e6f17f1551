namespace KiteLine.Core;

/// <summary>What a movement of an item counts to, by its kind; the one place that says so.</summary>
/// <param name="Part">To which part of the measures.</param>
/// <param name="Day">The day by which it counts: of a payment of an invoice its value date, whenever it was posted; of all
/// else the first day on which the books show it.</param>
/// <param name="Minor">How much it adds to the part, in minor units of the account's currency.</param>
internal readonly record struct MeasuredMovement(MeasuredPart Part, DateOnly Day, long Minor)
{
    /// <summary>Null where it counts to none.</summary>
    internal static MeasuredMovement? Of(in BookItem item, in BookMovement m) =>
        (m.Kind, item.Kind) switch
        {
            (MovementKind.Opened, ItemKind.Invoice or ItemKind.CreditNote) => new(
                MeasuredPart.Sales,
                m.ShownFrom,
                m.Minor
            ),
            (MovementKind.Opened, ItemKind.LateCharge or ItemKind.ReminderFee) => m.Minor > 0
                ? new(MeasuredPart.ChargesRaised, m.ShownFrom, m.Minor)
                : new(MeasuredPart.ChargesReversed, m.ShownFrom, -m.Minor),
            (MovementKind.Cash, ItemKind.Invoice) => new(MeasuredPart.Paid, m.ValueDate, -m.Minor),
            (MovementKind.Cash, ItemKind.LateCharge or ItemKind.ReminderFee) => new(
                MeasuredPart.ChargesPaid,
                m.ShownFrom,
                -m.Minor
            ),
            _ => null,
        };

    /// <summary>Whether what is open of an item at the end of a period counts to a part of what is open then.</summary>
    internal static bool CountsTo(MeasuredPart part, in BookItem item, MeasuredPeriod period) =>
        part switch
        {
            MeasuredPart.Receivables => true,
            MeasuredPart.NotDue => item.Due >= period.To,
            MeasuredPart.ChargesOpen => item.Kind is ItemKind.LateCharge or ItemKind.ReminderFee,
            _ => false,
        };
}
