using KiteLine.Store;

namespace KiteLine.Web;

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
    IReadOnlyList<OrderRow> Orders
);
