using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// Finds what of documents was settled before the books began, out of their items as they come one after the other: those of
/// a document stand together.
/// </summary>
internal sealed class PaidBeforeReader(IReadOnlyList<BookAccount> accounts)
{
    private readonly List<(int Account, PaidBefore Before)> _found = [];
    private ItemHistory _of;
    private DateOnly _date;
    private long _opened;

    internal void Add(in ItemHistory history)
    {
        if (history.Document != _of.Document)
        {
            Close();
            (_of, _opened) = (history, 0);
        }

        var account = accounts[history.Account];
        var item = account.Items[history.At];
        _date = item.Date;
        foreach (ref readonly var m in account.Movements.AsSpan(item.FirstMovement, item.Movements))
            if (m.Kind == MovementKind.Opened)
                _opened += m.Minor;
    }

    /// <summary>All that was found, by the place of the account.</summary>
    internal ILookup<int, PaidBefore> End()
    {
        Close();
        return _found.ToLookup(f => f.Account, f => f.Before);
    }

    // What was taken back whole was never sold.
    private void Close()
    {
        if (_of.IsOpening && _opened != 0 && _of.Gross != _opened)
            _found.Add((_of.Account, new(_date, _of.Gross - _opened)));
    }
}
