using System.Collections.Concurrent;

namespace KiteLine.Core;

/// <summary>What the accounts of one currency add up to, in minor units.</summary>
public sealed record BoardTotal(Currency Currency, int Accounts, long Exposure, long Limit, long Overdue);

/// <summary>The positions of all accounts on a day, ready to be filtered, sorted and paged.</summary>
public sealed class Board
{
    private readonly AccountPosition[] _rows;
    private readonly ConcurrentDictionary<BoardSort, int[]> _orders = new();
    private readonly int[] _marks;
    private readonly Lazy<string[]> _texts;
    private readonly Lazy<Dictionary<long, int>> _byId;

    private Board(AccountPosition[] rows, DateOnly day)
    {
        _rows = rows;
        Day = day;
        // Which filters a row passes never changes, so each row is asked once and answers with a bit a filter.
        var filters = BoardFilter.Names.Select(n => BoardFilter.Find(n)!).ToArray();
        _marks = Array.ConvertAll(rows, row => filters.Select((passes, i) => passes(row) ? 1 << i : 0).Sum());
        _byId = new(() => rows.Select((r, i) => (r.Account.Id, i)).ToDictionary(r => r.Id, r => r.i));
        _texts = new(() =>
            Array.ConvertAll(rows, r => $"{r.Account.Code}\n{r.Account.Name}\n{r.Account.Group}".ToUpperInvariant())
        );
        Counts = BoardFilter
            .Names.Select((name, i) => (name, i))
            .ToDictionary(f => f.name, f => _marks.Count(m => (m & (1 << f.i)) != 0));
        Totals = rows.GroupBy(r => r.Account.Currency)
            .Select(g => new BoardTotal(
                g.Key,
                g.Count(),
                g.Sum(r => r.Exposure),
                g.Sum(r => r.EffectiveLimit),
                g.Sum(r => r.Overdue)
            ))
            .OrderByDescending(t => t.Accounts)
            .ToArray();
    }

    public DateOnly Day { get; }

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
        Parallel.For(
            0,
            accounts.Length,
            i =>
            {
                var position = AccountPosition.On(accounts[i], day, rules);
                rows[i] = Forecast.PassesFrom(position, rules.Exposure) is { } on
                    ? position with
                    {
                        PassesOn = on,
                    }
                    : position;
            }
        );
        return new(rows, day);
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
        var order = _orders.GetOrAdd(sort == BoardSort.Change ? BoardSort.Code : sort, Order);
        var need = 0;
        foreach (var filter in filters)
        {
            var at = BoardFilter.Names.ToList().IndexOf(filter);
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

    private int[] Order(BoardSort sort)
    {
        var order = Enumerable.Range(0, _rows.Length).ToArray();
        // Money is compared in major units, so that a mixed book sorts by size and not by decimals.
        if (sort == BoardSort.Name)
            Array.Sort(_rows.Select(r => r.Account.Name).ToArray(), order, StringComparer.OrdinalIgnoreCase);
        else if (sort == BoardSort.Owner)
            Array.Sort(_rows.Select(r => r.Account.Owner).ToArray(), order, StringComparer.OrdinalIgnoreCase);
        else if (sort != BoardSort.Code)
            Array.Sort(_rows.Select(r => Key(r, sort)).ToArray(), order);
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
            // What has no such day comes last.
            BoardSort.Review => (row.Limit?.ReviewOn ?? DateOnly.MaxValue).DayNumber,
            BoardSort.PassesOn => (row.PassesOn ?? DateOnly.MaxValue).DayNumber,
            _ => throw new ArgumentOutOfRangeException(nameof(sort)),
        };
    }
}
