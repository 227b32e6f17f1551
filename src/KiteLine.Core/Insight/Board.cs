using System.Collections.Concurrent;

namespace KiteLine.Core;

/// <summary>What the accounts of one currency add up to, in minor units.</summary>
public sealed record BoardTotal(Currency Currency, int Accounts, long Exposure, long Limit, long Overdue);

/// <summary>The positions of all accounts on a day, ready to be filtered, sorted and paged.</summary>
public sealed class Board
{
    private readonly AccountPosition[] _rows;
    private readonly ConcurrentDictionary<BoardSort, int[]> _orders = new();

    private Board(AccountPosition[] rows, DateOnly day)
    {
        _rows = rows;
        Day = day;
        Counts = BoardFilter.Names.ToDictionary(n => n, n => rows.Count(BoardFilter.Find(n)!));
        Totals = rows.GroupBy(r => r.Account.Currency)
            .Select(g => new BoardTotal(g.Key, g.Count(), g.Sum(r => r.Exposure), g.Sum(r => r.EffectiveLimit), g.Sum(r => r.Overdue)))
            .OrderByDescending(t => t.Accounts).ToArray();
    }

    public DateOnly Day { get; }

    /// <summary>How many accounts each quick filter shows.</summary>
    public IReadOnlyDictionary<string, int> Counts { get; }

    /// <summary>Sums by currency, the currency with the most accounts first.</summary>
    public IReadOnlyList<BoardTotal> Totals { get; }

    /// <summary>All positions, in the order of the accounts.</summary>
    public IReadOnlyList<AccountPosition> Rows => _rows;

    /// <summary>Works out where every account stands on a day.</summary>
    public static Board Of(BookAccount[] accounts, DateOnly day, ExposureSettings settings, AgeingBuckets buckets)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var rows = new AccountPosition[accounts.Length];
        Parallel.For(0, accounts.Length, i => rows[i] = AccountPosition.On(accounts[i], day, settings, buckets));
        return new(rows, day);
    }

    /// <summary>The rows that pass all filters and hold the text in code, name or group, in order.</summary>
    public IReadOnlyList<AccountPosition> Find(BoardSort sort, bool descending, IReadOnlyList<string> filters, string text)
    {
        ArgumentNullException.ThrowIfNull(filters);
        ArgumentNullException.ThrowIfNull(text);
        var order = _orders.GetOrAdd(sort, Order);
        var tests = filters.Select(f => BoardFilter.Find(f) ?? throw new ArgumentException($"There is no filter ‘{f}’.", nameof(filters))).ToArray();
        var found = new List<AccountPosition>(tests.Length == 0 && text.Length == 0 ? _rows.Length : 256);
        for (var i = 0; i < order.Length; i++)
        {
            var row = _rows[order[descending ? order.Length - 1 - i : i]];
            if (Array.TrueForAll(tests, t => t(row)) && (text.Length == 0 || Holds(row.Account, text))) found.Add(row);
        }

        return found;
    }

    private static bool Holds(BookAccount account, string text) =>
        account.Code.Contains(text, StringComparison.OrdinalIgnoreCase)
        || account.Name.Contains(text, StringComparison.OrdinalIgnoreCase)
        || account.Group.Contains(text, StringComparison.OrdinalIgnoreCase);

    private int[] Order(BoardSort sort)
    {
        var order = Enumerable.Range(0, _rows.Length).ToArray();
        // Money is compared in major units, so that a mixed book sorts by size and not by decimals.
        if (sort == BoardSort.Name) Array.Sort(_rows.Select(r => r.Account.Name).ToArray(), order, StringComparer.OrdinalIgnoreCase);
        else if (sort != BoardSort.Code) Array.Sort(_rows.Select(r => Key(r, sort)).ToArray(), order);
        return order;
    }

    private static double Key(AccountPosition row, BoardSort sort)
    {
        double unit = row.Account.Currency.MinorPerMajor;
        return sort switch
        {
            BoardSort.State => (int)row.State,
            BoardSort.Exposure => row.Exposure / unit,
            BoardSort.Limit => row.EffectiveLimit / unit,
            BoardSort.Headroom => row.Headroom / unit,
            BoardSort.Overdue => row.Overdue / unit,
            BoardSort.Orders => row.Orders / unit,
            BoardSort.Utilisation => (double)row.Utilisation,
            BoardSort.OldestDays => row.OldestDays,
            _ => throw new ArgumentOutOfRangeException(nameof(sort)),
        };
    }
}
