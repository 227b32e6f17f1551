using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A page of the documents of a period; the sums are those of all of them.</summary>
internal sealed record DocumentPage(
    long Total,
    Money Net,
    Money Tax,
    Money Gross,
    IReadOnlyList<DocumentRowView> Items
);
