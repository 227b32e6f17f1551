namespace KiteLine.Web;

/// <param name="Items">The largest first, as they come to in the base currency.</param>
/// <param name="Currency">The base currency, in which the sums are.</param>
internal sealed record LeakageView(
    DateOnly From,
    DateOnly To,
    string Currency,
    int Total,
    IReadOnlyList<LeakCaseView> Items,
    LeakBy By,
    IReadOnlyList<LeakSumView> Sums,
    IReadOnlyList<LeakSumView> Kinds
);
