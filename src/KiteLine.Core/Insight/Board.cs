using System.Collections.Concurrent;

namespace KiteLine.Core;

/// <summary>
/// The positions of all accounts on a day, ready to be filtered, sorted and paged. It never changes;
/// <see cref="After"/> gives the board of a later state of the book at the cost of the accounts that changed.
/// </summary>
public sealed class Board
{
    // Beyond so many changed rows an order is sorted anew when it is next asked for.
    private const int MostMoved = 2000;

    private static readonly string[] FilterNames = [.. BoardFilter.Names];
    private static readonly Func<AccountPosition, bool>[] Filters = Array.ConvertAll(
        FilterNames,
        n => BoardFilter.Find(n)!
    );

    private readonly AccountPosition[] _rows;

    // Which filters a row passes, a bit each: it never changes, so each row is asked once.
    private readonly int[] _marks;
    private readonly Lazy<string[]> _texts;
    private readonly Lazy<Dictionary<long, int>> _byId;
    private readonly BoardSums _sums;

    // Orders asked for so far, and for those that were made for a former board what changed since.
    private readonly ConcurrentDictionary<BoardSort, (BoardOrder Order, int[] Changed)> _orders = new();

    private Board(AccountPosition[] rows, int[] marks, DateOnly day, PositionRules rules, Board? before, int[] changed)
    {
        (_rows, _marks, Day, Rules) = (rows, marks, day, rules);
        _byId = before?._byId ?? new(() => rows.Select((r, i) => (r.Account.Id, i)).ToDictionary(r => r.Id, r => r.i));
        _texts =
            before is not null && Array.TrueForAll(changed, i => SearchedBy(before._rows[i]) == SearchedBy(rows[i]))
                ? before._texts
                : new(() => Array.ConvertAll(rows, SearchedBy));
        _sums = before is null
            ? BoardSums.Of(rows, marks)
            : before._sums.After(before._rows, before._marks, rows, marks, changed);
        Counts = FilterNames.Select((name, i) => (name, i)).ToDictionary(f => f.name, f => _sums.Passing(f.i));
        Totals = _sums.Totals();
        if (before is null)
            return;
        foreach (var (sort, (order, earlier)) in before._orders)
            if (earlier.Length + changed.Length <= MostMoved)
                _orders.TryAdd(sort, (order, [.. earlier.Union(changed)]));
    }

    /// <summary>The day of the positions.</summary>
    public DateOnly Day { get; }

    /// <summary>How the positions were looked at.</summary>
    public PositionRules Rules { get; }

    /// <summary>How many accounts each quick filter shows.</summary>
    public IReadOnlyDictionary<string, int> Counts { get; }

    /// <summary>Sums by currency, the currency with the most accounts first.</summary>
    public IReadOnlyList<BoardTotal> Totals { get; }

    /// <summary>All positions, in the order of the accounts.</summary>
    public IReadOnlyList<AccountPosition> Rows => _rows;

    /// <summary>Works out where every account stands on a day.</summary>
    public static Board Of(BookAccount[] accounts, DateOnly day, PositionRules rules)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(rules);
        var rows = new AccountPosition[accounts.Length];
        var marks = new int[accounts.Length];
        Parallel.For(0, accounts.Length, i => marks[i] = MarksOf(rows[i] = PositionOf(accounts[i], day, rules)));
        return new(rows, marks, day, rules, null, []);
    }

    /// <summary>
    /// The board of the same day and rules for a later state of the book. Accounts are compared by reference: only
    /// those that were replaced are worked out.
    /// </summary>
    /// <param name="accounts">All accounts, in the same order; new ones may stand among them.</param>
    public Board After(BookAccount[] accounts)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var rows = new AccountPosition[accounts.Length];
        var changed = new List<int>();
        var former = 0;
        for (var i = 0; i < accounts.Length; i++)
        {
            if (former < _rows.Length && _rows[former].Account.Id == accounts[i].Id)
            {
                if (ReferenceEquals(_rows[former].Account, accounts[i]))
                    rows[i] = _rows[former];
                former++;
            }

            if (rows[i] is null)
                changed.Add(i);
        }

        foreach (var i in changed)
            rows[i] = PositionOf(accounts[i], Day, Rules);
        // With accounts in between every place is another one.
        if (rows.Length != _rows.Length)
            return new(rows, Array.ConvertAll(rows, MarksOf), Day, Rules, null, []);
        var marks = (int[])_marks.Clone();
        foreach (var i in changed)
            marks[i] = MarksOf(rows[i]);
        return new(rows, marks, Day, Rules, this, [.. changed]);
    }

    /// <summary>The rows that pass all filters and hold the text in code, name or group, in order.</summary>
    /// <param name="passes">A further condition, or null.</param>
    public IReadOnlyList<AccountPosition> Find(
        BoardSort sort,
        bool descending,
        IReadOnlyList<string> filters,
        string text,
        Func<AccountPosition, bool>? passes = null
    )
    {
        ArgumentNullException.ThrowIfNull(filters);
        ArgumentNullException.ThrowIfNull(text);
        // Without a day to compare with there is no change to sort by.
        var order = OrderBy(sort == BoardSort.Change ? BoardSort.Code : sort).Places;
        var need = 0;
        foreach (var filter in filters)
        {
            var at = Array.IndexOf(FilterNames, filter);
            need |= at >= 0 ? 1 << at : throw new ArgumentException($"There is no filter ‘{filter}’.", nameof(filters));
        }

        var wanted = text.ToUpperInvariant();
        var texts = wanted.Length == 0 ? null : _texts.Value;
        var found = new List<AccountPosition>(need == 0 && texts is null ? _rows.Length : 256);
        for (var i = 0; i < order.Length; i++)
        {
            var at = order[descending ? order.Length - 1 - i : i];
            if (
                (_marks[at] & need) == need
                && (texts is null || texts[at].Contains(wanted, StringComparison.Ordinal))
                && (passes is null || passes(_rows[at]))
            )
                found.Add(_rows[at]);
        }

        return found;
    }

    /// <summary>The rows that pass, by how much their exposure changed since another board, in major units.</summary>
    public IReadOnlyList<AccountPosition> FindByChange(
        Board since,
        bool descending,
        IReadOnlyList<string> filters,
        string text,
        Func<AccountPosition, bool>? passes
    )
    {
        ArgumentNullException.ThrowIfNull(since);
        var found = Find(BoardSort.Code, false, filters, text, passes);
        double Change(AccountPosition p) =>
            (p.Exposure - since.ExposureOf(p.Account.Id)) / (double)p.Account.Currency.MinorPerMajor;
        return [.. descending ? found.OrderByDescending(Change) : found.OrderBy(Change)];
    }

    /// <summary>The exposure of an account on this board's day, in minor units; 0 for one that was not there.</summary>
    public long ExposureOf(long account) => _byId.Value.TryGetValue(account, out var at) ? _rows[at].Exposure : 0;

    /// <summary>Whether this is the board of the same day, rules and accounts as another, row for row.</summary>
    internal bool Follows(Board other) =>
        Day == other.Day && ReferenceEquals(Rules, other.Rules) && ReferenceEquals(_byId, other._byId);

    private BoardOrder OrderBy(BoardSort sort)
    {
        if (!_orders.TryGetValue(sort, out var known))
            _orders[sort] = known = (BoardOrder.Of(_rows, sort), []);
        else if (known.Changed.Length > 0)
            _orders[sort] = known = (known.Order.After(_rows, known.Changed), []);
        return known.Order;
    }

    private static AccountPosition PositionOf(BookAccount account, DateOnly day, PositionRules rules)
    {
        var position = AccountPosition.On(account, day, rules);
        return Forecast.PassesFrom(position, rules.Exposure) is { } on ? position with { PassesOn = on } : position;
    }

    private static int MarksOf(AccountPosition row)
    {
        var marks = 0;
        for (var i = 0; i < Filters.Length; i++)
            if (Filters[i](row))
                marks |= 1 << i;
        return marks;
    }

    private static string SearchedBy(AccountPosition row) =>
        $"{row.Account.Code}\n{row.Account.Name}\n{row.Account.Group}".ToUpperInvariant();
}
