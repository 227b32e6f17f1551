namespace KiteLine.Web;

/// <summary>Today by accounts and groups.</summary>
/// <param name="Total">Accounts and groups with a reason that was not put off.</param>
/// <param name="Counts">Of them, how many have a reason of each kind.</param>
/// <param name="Matching">Of them, how many have one of the kind that was asked for; the pages go through these.</param>
/// <param name="Items">One page, each with all its reasons.</param>
/// <param name="PutOff">Those with a reason that was put off, at most 500, with those reasons.</param>
internal sealed record TodayCallsView(
    int Total,
    IReadOnlyDictionary<string, int> Counts,
    int Matching,
    IReadOnlyList<TodayCallView> Items,
    IReadOnlyList<TodayCallView> PutOff,
    int PutOffTotal
);
