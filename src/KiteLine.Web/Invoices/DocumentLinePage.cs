using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A page of the lines of a period; the sums are those of all of them, and of its documents.</summary>
internal sealed record DocumentLinePage(
    long Total,
    Money Net,
    Money Tax,
    Money Gross,
    IReadOnlyList<DocumentLineRowView> Items
);
