namespace KiteLine.Core;

/// <summary>What replays of accounts come to together, in the base currency.</summary>
public sealed class ReplaySum
{
    /// <summary>So many accounts are told, those first that differ most.</summary>
    public const int Most = 200;

    private readonly ExchangeRates _rates;
    private readonly DateOnly _day;
    private readonly PriorityQueue<ReplayedAccount, decimal> _most = new();
    private readonly SortedSet<string> _withoutRate = new(StringComparer.Ordinal);

    /// <param name="day">The day whose rates are used.</param>
    public ReplaySum(ExchangeRates rates, DateOnly day) => (_rates, _day) = (rates, day);

    /// <summary>How many accounts were replayed.</summary>
    public int Accounts { get; private set; }

    /// <summary>How many of them differ from what happened.</summary>
    public int Differing { get; private set; }

    /// <summary>Lines on which somebody decided otherwise than the rules.</summary>
    public int ByHand { get; private set; }

    /// <summary>Lines that the accounts' own rules do not explain.</summary>
    public int Unexplained { get; private set; }

    /// <summary>What happened.</summary>
    public ReplayFigures Happened { get; private set; } = ReplayFigures.None;

    /// <summary>What would have.</summary>
    public ReplayFigures Would { get; private set; } = ReplayFigures.None;

    /// <summary>Currencies that are left out of the sums, because there is no rate of the day.</summary>
    public IReadOnlyCollection<string> WithoutRate => _withoutRate;

    /// <summary>The accounts that differ most, the largest difference first.</summary>
    public IReadOnlyList<ReplayedAccount> Largest =>
        [
            .. _most
                .UnorderedItems.Select(i => i.Element)
                .OrderByDescending(Weight)
                .ThenBy(a => a.Code, StringComparer.OrdinalIgnoreCase),
        ];

    /// <summary>Adds an account.</summary>
    public void Add(AccountReplay replay)
    {
        ArgumentNullException.ThrowIfNull(replay);
        Accounts++;
        if (replay.Lines.Count == 0)
            return;
        ByHand += replay.ByHand;
        Unexplained += replay.Unexplained;
        var (happened, would) = (Figures(replay, l => l.Happened), Figures(replay, l => l.Would));
        (Happened, Would) = (Happened + happened, Would + would);
        if (replay.Unexplained == 0 && !replay.Lines.Any(l => l.Differs))
            return;
        Differing++;
        var account = new ReplayedAccount(
            replay.Account.Code,
            replay.Account.Name,
            happened,
            would,
            replay.Unexplained
        );
        _most.Enqueue(account, Weight(account));
        if (_most.Count > Most)
            _most.Dequeue();
    }

    private ReplayFigures Figures(AccountReplay replay, Func<ReplayedLine, Money?> amount) =>
        ReplayFigures.Of(
            replay.Lines,
            amount,
            of =>
            {
                if (_rates.ToBase(new(of.Minor, of.Currency), _day) is { } sum)
                    return (decimal)sum.Minor;
                _withoutRate.Add(of.Currency.Code);
                return null;
            }
        );

    // What no rule explains comes before everything; then what the company would have had more or less, and held orders.
    private static decimal Weight(ReplayedAccount a) =>
        (a.Unexplained * 1e20m)
        + Math.Abs(a.Would.Brings - a.Happened.Brings)
        + (Math.Abs(a.Would.Held - a.Happened.Held) / 1000)
        + Math.Abs(a.Would.Letters - a.Happened.Letters);
}
