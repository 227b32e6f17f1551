using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Keeps the boards of the days that were last asked for. After a commit a board follows the accounts that were
/// touched; one that rests on other settings is worked out anew. Nothing is worked out while the lock is held.
/// </summary>
internal sealed class BoardCache(Desk desk)
{
    private const int Kept = 4;
    private readonly Lock _gate = new();
    private readonly List<Entry> _entries = [];

    private sealed record Entry(DateOnly Day, BookSnapshot Book, Lazy<Board> Board);

    /// <summary>The board of a day as the books stand now.</summary>
    internal Board On(DateOnly day)
    {
        var book = desk.Snapshots.Current;
        Entry entry;
        lock (_gate)
            entry = Of(book, day);
        return entry.Board.Value;
    }

    private Entry Of(BookSnapshot book, DateOnly day)
    {
        // A board of a book that was read anew since would keep all of the former one in memory.
        _entries.RemoveAll(e => !SameRules(e.Book, book) && e.Book.Changes < book.Changes);
        var at = _entries.FindIndex(e => e.Day == day);
        var before = at >= 0 ? _entries[at] : null;
        // A reader that was held up does not take the board back to an older book.
        if (before is not null && (Same(before.Book, book) || before.Book.Changes > book.Changes))
            return before;
        if (before is not null)
            _entries.RemoveAt(at);
        else if (_entries.Count == Kept)
            _entries.RemoveAt(0);
        var entry = new Entry(
            day,
            book,
            new(() =>
                before is not null
                    ? before.Board.Value.After(book.Accounts)
                    : Board.Of(book.Accounts, day, book.PositionRules(day))
            )
        );
        _entries.Add(entry);
        return entry;
    }

    private static bool Same(BookSnapshot a, BookSnapshot b) =>
        ReferenceEquals(a.Accounts, b.Accounts) && SameRules(a, b);

    private static bool SameRules(BookSnapshot a, BookSnapshot b) =>
        ReferenceEquals(a.Settings, b.Settings) && ReferenceEquals(a.Calendar, b.Calendar);
}
