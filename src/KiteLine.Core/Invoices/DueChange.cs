namespace KiteLine.Core;

/// <summary>The due date of an item before and after an amendment of its invoice.</summary>
public sealed record DueChange(long Item, DateOnly Former, DateOnly Due)
{
    /// <summary>An account with changed due dates, for showing an effect.</summary>
    public static BookAccount On(BookAccount book, IReadOnlyList<DueChange> changes)
    {
        ArgumentNullException.ThrowIfNull(book);
        ArgumentNullException.ThrowIfNull(changes);
        if (changes.Count == 0)
            return book;
        BookItem[] items = [.. book.Items];
        foreach (var change in changes)
            if (Array.IndexOf(book.ItemIds, change.Item) is >= 0 and var at)
                items[at] = items[at] with { Due = change.Due };
        return book with { Items = items };
    }
}
