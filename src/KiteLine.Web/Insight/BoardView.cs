namespace KiteLine.Web;

internal sealed record BoardView(
    int Total,
    IReadOnlyList<AccountRow> Items,
    int AllAccounts,
    DateOnly AsOf,
    IReadOnlyList<string> Buckets,
    IReadOnlyDictionary<string, int> Counts,
    IReadOnlyList<TotalView> Totals
);
