using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="Total">How many entries there are that were not put off.</param>
/// <param name="Counts">Of them, by kind.</param>
/// <param name="Matching">Of them, how many are of the kind that was asked for; the pages go through these.</param>
/// <param name="Items">One page.</param>
/// <param name="PutOff">Those that were put off, at most 500.</param>
/// <param name="Calls">By accounts and groups, when that is asked for; the entries are left out then.</param>
/// <param name="Work">What waits beside the accounts: runs, messages, receipts.</param>
internal sealed record TodayView(
    DateOnly Day,
    string BaseCurrency,
    int Total,
    IReadOnlyDictionary<string, int> Counts,
    IReadOnlyList<TodayEntryView> Items,
    IReadOnlyList<TodayEntryView> PutOff,
    int Matching,
    int Page,
    int PageSize,
    int PutOffTotal,
    TodayCallsView? Calls = null,
    IReadOnlyList<TodayWorkView>? Work = null
);
