namespace KiteLine.Core;

/// <summary>
/// What the accounts of a board need on its day, ranked. It never changes; <see cref="After"/> gives that of a later
/// board at the cost of the accounts that changed.
/// </summary>
public sealed class TodayNeeds
{
    private readonly TodayEntry[] _ranked;

    private TodayNeeds(Board board, Currency home, ExchangeRates rates, TodayEntry[] ranked)
    {
        (Board, Home, Rates, _ranked) = (board, home, rates, ranked);
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
    public static TodayNeeds Of(Board board, Currency home, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(board);
        ArgumentNullException.ThrowIfNull(home);
        ArgumentNullException.ThrowIfNull(rates);
        // Only what the board marks needs a look; most accounts need none.
        var entries = board.Rows.Where(AccountNeed.Any).SelectMany(p => Of(p, board, home, rates)).ToArray();
        Array.Sort(entries, TodayRank.Order);
        return new(board, home, rates, entries);
    }

    /// <summary>The same for a later board of the same day, rules and accounts; others are looked at anew.</summary>
    public TodayNeeds After(Board board)
    {
        ArgumentNullException.ThrowIfNull(board);
        if (!board.Follows(Board))
            return Of(board, Home, Rates);
        var (before, after) = (Board.Rows, board.Rows);
        var gone = new HashSet<string>(StringComparer.Ordinal);
        var come = new List<TodayEntry>();
        for (var i = 0; i < after.Count; i++)
        {
            if (ReferenceEquals(before[i], after[i]))
                continue;
            gone.Add(before[i].Account.Code);
            if (AccountNeed.Any(after[i]))
                come.AddRange(Of(after[i], board, Home, Rates));
        }

        if (gone.Count == 0)
            return new(board, Home, Rates, _ranked);
        come.Sort(TodayRank.Order);
        var staying = Array.FindAll(_ranked, e => !gone.Contains(e.About));
        return new(board, Home, Rates, TodayRank.Merge(staying, come));
    }

    private static IEnumerable<TodayEntry> Of(AccountPosition p, Board board, Currency home, ExchangeRates rates) =>
        AccountNeed
            .Of(p, board.Rules.Exposure)
            .Select(need =>
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
