namespace KiteLine.Core;

/// <summary>What the rows of a board add up to: by currency, and how many pass each filter.</summary>
internal sealed class BoardSums
{
    private readonly Dictionary<Currency, BoardTotal> _totals;
    private readonly int[] _passing;

    private BoardSums(Dictionary<Currency, BoardTotal> totals, int[] passing) =>
        (_totals, _passing) = (totals, passing);

    /// <summary>Adds up all rows.</summary>
    /// <param name="marks">The filters each row passes, a bit each.</param>
    internal static BoardSums Of(AccountPosition[] rows, int[] marks)
    {
        var sums = new BoardSums([], new int[32]);
        // One total of each run of rows in one currency is made, not one of each row.
        for (var from = 0; from < rows.Length; )
        {
            var currency = rows[from].Account.Currency;
            Int128 exposure = 0,
                limit = 0,
                overdue = 0;
            var at = from;
            for (; at < rows.Length && rows[at].Account.Currency == currency; at++)
            {
                exposure += rows[at].Exposure;
                limit += rows[at].EffectiveLimit;
                overdue += rows[at].Overdue;
                sums.Count(marks[at], 1);
            }

            sums.Add(new(currency, at - from, exposure, limit, overdue));
            from = at;
        }

        return sums;
    }

    /// <summary>The sums after some rows changed.</summary>
    internal BoardSums After(
        AccountPosition[] before,
        int[] marksBefore,
        AccountPosition[] rows,
        int[] marks,
        IReadOnlyList<int> changed
    )
    {
        var sums = new BoardSums(new(_totals), (int[])_passing.Clone());
        foreach (var i in changed)
        {
            var (was, now) = (before[i], rows[i]);
            sums.Add(new(was.Account.Currency, -1, -was.Exposure, -was.EffectiveLimit, -was.Overdue));
            sums.Add(new(now.Account.Currency, 1, now.Exposure, now.EffectiveLimit, now.Overdue));
            sums.Count(marksBefore[i], -1);
            sums.Count(marks[i], 1);
        }

        return sums;
    }

    /// <summary>How many rows pass the filter of this bit.</summary>
    internal int Passing(int filter) => _passing[filter];

    /// <summary>The currency with the most accounts first.</summary>
    internal IReadOnlyList<BoardTotal> Totals() =>
        [.. _totals.Values.Where(t => t.Accounts > 0).OrderByDescending(t => t.Accounts).ThenBy(t => t.Currency.Code)];

    private void Add(BoardTotal more)
    {
        var sum = _totals.GetValueOrDefault(more.Currency) ?? new(more.Currency, 0, 0, 0, 0);
        _totals[more.Currency] = new(
            more.Currency,
            sum.Accounts + more.Accounts,
            sum.Exposure + more.Exposure,
            sum.Limit + more.Limit,
            sum.Overdue + more.Overdue
        );
    }

    private void Count(int marks, int by)
    {
        for (var i = 0; marks >> i != 0; i++)
            if ((marks & (1 << i)) != 0)
                _passing[i] += by;
    }
}
