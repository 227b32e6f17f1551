using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Cash">Left out where it is not known yet.</param>
/// <param name="Text">What the payer wrote.</param>
/// <param name="Items">Items that were chosen, to tell what they need.</param>
internal sealed record ProposePaymentRequest(
    string? ValueDate,
    string? Cash,
    [property: MostCharacters(Bounds.Note, Lines = true)] string? Text,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<long>? Items
);
