using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The right receipt in the place of a wrong one.</summary>
/// <param name="Posting">The posting of the wrong one, which is reversed.</param>
/// <param name="ValueDate">Left out, the business date.</param>
/// <param name="Reference">What stands on it; documents that it names are settled.</param>
/// <param name="Items">The items that it settles; left out, what is proposed.</param>
internal sealed record SlipReplacementRequest(
    long Posting,
    string? Account,
    string? ValueDate,
    string? Cash,
    string? Reference,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<PaymentItemShape>? Items,
    string? Reason
);
