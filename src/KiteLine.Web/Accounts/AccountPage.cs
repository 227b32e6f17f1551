using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="BucketsBy">What the age of the buckets is counted from.</param>
/// <param name="BucketsUpTo">The last day of age of each bucket between the first and the last.</param>
/// <param name="Pause">Its reminders are paused on the day; null where they are not.</param>
/// <param name="Collection">It is with others who collect it on the day; null where it is not.</param>
internal sealed record AccountPage(
    AccountView Account,
    AccountRow Position,
    DateOnly AsOf,
    IReadOnlyList<string> Buckets,
    IReadOnlyList<ItemView> Items,
    IReadOnlyList<StepView> NextSteps,
    IReadOnlyList<ReminderView> Reminders,
    IReadOnlyList<LimitEventView> History,
    IReadOnlyList<LimitRequestView> Requests,
    IReadOnlyList<PromiseView> Promises,
    IReadOnlyList<DisputeView> Disputes,
    IReadOnlyList<OrderRow> Orders,
    PauseView? Pause,
    CollectionView? Collection,
    AgeingBasis BucketsBy,
    IReadOnlyList<int> BucketsUpTo
);
