namespace KiteLine.Core;

/// <summary>
/// What the accounts of a board need on its day, ranked. It never changes; <see cref="After"/> gives that of a later
/// board at the cost of the accounts that changed.
/// </summary>
public sealed class TodayNeeds
{
    /// <summary>
    /// Finds the discounts that end soon on a day, by the identifiers of accounts; those without are not in it.
    /// </summary>
    public delegate IReadOnlyDictionary<long, EndingDiscounts> Ending(
        IReadOnlyList<BookAccount> accounts,
        DateOnly day
    );

    private readonly TodayEntry[] _ranked;
    private readonly Ending _ending;

    private TodayNeeds(Board board, Currency home, ExchangeRates rates, Ending ending, TodayEntry[] ranked)
    {
        (Board, Home, Rates, _ending, _ranked) = (board, home, rates, ending, ranked);
        Holding = [.. board.Rows.Where(p => p.Held > 0).Select(p => p.Account.Id)];
    }

    /// <summary>The board whose accounts these are.</summary>
    public Board Board { get; }

    /// <summary>The currency in which entries are ranked.</summary>
    public Currency Home { get; }

    /// <summary>The rates by which they are converted, those of the board's day.</summary>
    public ExchangeRates Rates { get; }

    /// <summary>The accounts that have orders of which something is held.</summary>
    public IReadOnlyList<long> Holding { get; }

    /// <summary>The entries, the most money at risk first.</summary>
    public IReadOnlyList<TodayEntry> Ranked => _ranked;

    /// <summary>Looks at all accounts of a board.</summary>
    /// <param name="home">The base currency.</param>
    public static TodayNeeds Of(Board board, Currency home, ExchangeRates rates, Ending ending)
    {
        ArgumentNullException.ThrowIfNull(board);
        ArgumentNullException.ThrowIfNull(home);
        ArgumentNullException.ThrowIfNull(rates);
        ArgumentNullException.ThrowIfNull(ending);
        var entries = Of(board.Rows, board, home, rates, ending);
        entries.Sort(TodayRank.Order);
        return new(board, home, rates, ending, [.. entries]);
    }

    /// <summary>The same for a later board of the same day, rules and accounts; others are looked at anew.</summary>
    public TodayNeeds After(Board board)
    {
        ArgumentNullException.ThrowIfNull(board);
        if (!board.Follows(Board))
            return Of(board, Home, Rates, _ending);
        var (before, after) = (Board.Rows, board.Rows);
        var gone = new HashSet<string>(StringComparer.Ordinal);
        var changed = new List<AccountPosition>();
        for (var i = 0; i < after.Count; i++)
        {
            if (ReferenceEquals(before[i], after[i]))
                continue;
            gone.Add(before[i].Account.Code);
            changed.Add(after[i]);
        }

        if (gone.Count == 0)
            return new(board, Home, Rates, _ending, _ranked);
        var come = Of(changed, board, Home, Rates, _ending);
        come.Sort(TodayRank.Order);
        var staying = Array.FindAll(_ranked, e => !gone.Contains(e.About));
        return new(board, Home, Rates, _ending, TodayRank.Merge(staying, come));
    }

    private static List<TodayEntry> Of(
        IReadOnlyList<AccountPosition> rows,
        Board board,
        Currency home,
        ExchangeRates rates,
        Ending ending
    )
    {
        var ends = ending([.. rows.Select(p => p.Account)], board.Day);
        var entries = new List<TodayEntry>();
        // Only what the board marks needs a look; most accounts need none.
        foreach (var p in rows)
        {
            if (AccountNeed.Any(p))
                entries.AddRange(Entries(p, AccountNeed.Of(p, board.Rules.Exposure)));
            if (ends.TryGetValue(p.Account.Id, out var soon))
                entries.AddRange(Entries(p, [AccountNeed.Of(p.Account, soon)]));
        }

        return entries;

        IEnumerable<TodayEntry> Entries(AccountPosition p, IEnumerable<AccountNeed> needs) =>
            needs.Select(need =>
                TodayEntry.Of(
                    p.Account,
                    need.Kind,
                    need.Key,
                    need.Text,
                    need.AtRisk,
                    AtHome(need.AtRisk, home, rates, board.Day),
                    need.On,
                    null
                )
            );
    }

    /// <summary>
    /// An amount in the base currency; as it is where the rate of the day is missing, or gives more than can be held.
    /// </summary>
    internal static decimal AtHome(Money amount, Currency home, ExchangeRates rates, DateOnly day)
    {
        try
        {
            return (rates.Convert(amount, home, day) ?? amount).Amount;
        }
        catch (OverflowException)
        {
            return amount.Amount;
        }
    }
}
