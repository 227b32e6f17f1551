using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// Keeps what the accounts need on the day that was last asked for. After a commit it follows the board at the cost of
/// the accounts that were touched.
/// </summary>
internal sealed class TodayCache(Desk desk)
{
    private volatile TodayNeeds? _last;

    /// <summary>What the accounts need on a day as the books stand now.</summary>
    internal TodayNeeds On(DateOnly day)
    {
        var book = desk.Snapshots.Current;
        var (board, home) = (desk.Boards.On(day), Currency.Of(book.Settings.BaseCurrency));
        var last = _last;
        if (last is not null && last.Home == home && ReferenceEquals(last.Rates, book.Rates))
            return ReferenceEquals(last.Board, board) ? last : _last = last.After(board);
        return _last = TodayNeeds.Of(
            board,
            home,
            book.Rates,
            (accounts, on) =>
                desk.Books.Read(c => desk.Discounts.Of(c, accounts, on, desk.Snapshots.Current.Settings.Rounding))
        );
    }
}
