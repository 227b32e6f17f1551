using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Keeps the boards of the days that were last asked for, as long as the books do not change.</summary>
internal sealed class BoardCache(Desk desk)
{
    private const int Kept = 4;
    private readonly Lock _gate = new();
    private readonly List<(DateOnly Day, Board Board)> _boards = [];
    private BookSnapshot? _snapshot;

    internal Board On(DateOnly day)
    {
        var snapshot = desk.Snapshots.Current;
        lock (_gate)
        {
            if (!ReferenceEquals(snapshot, _snapshot))
            {
                _boards.Clear();
                _snapshot = snapshot;
            }

            var at = _boards.FindIndex(b => b.Day == day);
            if (at >= 0)
                return _boards[at].Board;
            if (_boards.Count == Kept)
                _boards.RemoveAt(0);
            var board = Board.Of(snapshot.Accounts, day, snapshot.PositionRules(day));
            _boards.Add((day, board));
            return board;
        }
    }
}
