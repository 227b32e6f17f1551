namespace KiteLine.Web;

/// <summary>Balances of all posting accounts for a period, by posting date.</summary>
internal sealed record JournalBalancesView(
    DateOnly From,
    DateOnly To,
    IReadOnlyList<JournalBalanceView> Items,
    IReadOnlyList<JournalSumView> Sums
);
