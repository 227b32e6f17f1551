namespace KiteLine.Core;

/// <summary>Adds up what is open of accounts by age, as the books showed it at the end of a day.</summary>
public static class Ageing
{
    /// <summary>
    /// A line for each value of the key and currency that has something open, by value and then by currency.
    /// </summary>
    /// <param name="buckets">The ages; they say whether age counts from the due date or from the invoice's.</param>
    public static IReadOnlyList<AgeingLine> Of(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day,
        AgeingBuckets buckets,
        AgeingKey key
    )
    {
        ArgumentNullException.ThrowIfNull(accounts);
        ArgumentNullException.ThrowIfNull(key);
        var open = new long[]?[accounts.Count];
        Parallel.For(0, open.Length, i => open[i] = AccountAgeing.AsShown(accounts[i], day, buckets));
        // Accounts are lines of their own already, in the order of their codes.
        if (key.Kind == AgeingKind.Account)
        {
            var lines = new List<AgeingLine>(open.Length);
            for (var i = 0; i < open.Length; i++)
                if (open[i] is { } ageing)
                    lines.Add(
                        new(
                            accounts[i].Code,
                            accounts[i].Name,
                            accounts[i].Currency,
                            1,
                            Array.ConvertAll(ageing, a => (Int128)a)
                        )
                    );
            return lines;
        }

        // Owners and groups are told apart as the books tell them apart: whatever their case.
        var sums = new Dictionary<(string Key, Currency Currency), Sum>(KeyComparer.Instance);
        for (var i = 0; i < open.Length; i++)
        {
            if (open[i] is not { } ageing)
                continue;
            var account = accounts[i];
            var of = (key.Of(account, day), account.Currency);
            if (!sums.TryGetValue(of, out var sum))
                sums.Add(of, sum = new(new Int128[buckets.Count]));
            sum.Accounts++;
            for (var b = 0; b < ageing.Length; b++)
                sum.Ageing[b] += ageing[b];
        }

        return
        [
            .. sums.OrderBy(s => s.Key.Key, StringComparer.OrdinalIgnoreCase)
                .ThenBy(s => s.Key.Currency.Code, StringComparer.Ordinal)
                .Select(s => new AgeingLine(s.Key.Key, s.Key.Key, s.Key.Currency, s.Value.Accounts, s.Value.Ageing)),
        ];
    }

    /// <summary>What lines add up to, a line for each currency, the one with the most accounts first.</summary>
    public static IReadOnlyList<AgeingLine> Sums(IReadOnlyList<AgeingLine> lines)
    {
        ArgumentNullException.ThrowIfNull(lines);
        return
        [
            .. lines
                .GroupBy(l => l.Currency)
                .Select(of => new AgeingLine(
                    "",
                    "",
                    of.Key,
                    of.Sum(l => l.Accounts),
                    [
                        .. Enumerable
                            .Range(0, of.First().Ageing.Count)
                            .Select(b => of.Aggregate(Int128.Zero, (sum, l) => sum + l.Ageing[b])),
                    ]
                ))
                .OrderByDescending(l => l.Accounts)
                .ThenBy(l => l.Currency.Code, StringComparer.Ordinal),
        ];
    }

    private sealed class Sum(Int128[] ageing)
    {
        internal Int128[] Ageing { get; } = ageing;
        internal int Accounts { get; set; }
    }

    private sealed class KeyComparer : IEqualityComparer<(string Key, Currency Currency)>
    {
        internal static readonly KeyComparer Instance = new();

        public bool Equals((string Key, Currency Currency) x, (string Key, Currency Currency) y) =>
            x.Currency == y.Currency && string.Equals(x.Key, y.Key, StringComparison.OrdinalIgnoreCase);

        public int GetHashCode((string Key, Currency Currency) of) =>
            HashCode.Combine(StringComparer.OrdinalIgnoreCase.GetHashCode(of.Key), of.Currency);
    }
}
