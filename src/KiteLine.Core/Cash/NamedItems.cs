namespace KiteLine.Core;

/// <summary>
/// Finds the items that a remittance text names, by the numbers of their documents or by that of a reminder which asked
/// for them.
/// </summary>
internal static class NamedItems
{
    /// <summary>The items that are named, in their order, each once, with where.</summary>
    internal static IReadOnlyList<(AllocationItem Item, NamedDocument Named)> In(
        string text,
        IReadOnlyList<AllocationItem> items
    )
    {
        var letters = items.SelectMany(i => i.Letters).Distinct(StringComparer.Ordinal).ToArray();
        var named = NamedDocuments.In(text, [.. items.Select(i => i.Document), .. letters]);
        return
        [
            .. named
                .SelectMany(n =>
                    n.Item < items.Count
                        ? [(n.Item, n)]
                        : Enumerable
                            .Range(0, items.Count)
                            .Where(i =>
                                items[i].Letters.Contains(letters[n.Item - items.Count], StringComparer.Ordinal)
                            )
                            .Select(i => (Item: i, n))
                )
                .DistinctBy(n => n.Item)
                .OrderBy(n => n.Item)
                .Select(n => (items[n.Item], n.n)),
        ];
    }
}
