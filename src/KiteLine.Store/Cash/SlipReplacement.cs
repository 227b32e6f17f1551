using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A receipt on a slip that was wrong, and the right one in its place.</summary>
/// <param name="Slip">The slip.</param>
/// <param name="Wrong">The posting of the receipt that is reversed.</param>
/// <param name="Account">The account of the right one.</param>
/// <param name="Right">The right payment, taken by the slip's method; its items are null for what is proposed.</param>
/// <param name="Reason">Why.</param>
public sealed record SlipReplacement(
    long Slip,
    long Wrong,
    string Account,
    DateOnly ValueDate,
    decimal Cash,
    string Reference,
    IReadOnlyDictionary<long, PaymentChoice>? Right,
    string Reason
);
