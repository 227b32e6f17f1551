using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The documents of which a measure is made, the largest first.</summary>
/// <param name="Sums">What all of them come to, by currency.</param>
internal sealed record MeasuredDocumentsView(
    DateOnly From,
    DateOnly To,
    MeasuredPart Part,
    int Total,
    IReadOnlyList<MeasuredDocumentView> Items,
    IReadOnlyList<MeasuredSumView> Sums
);
