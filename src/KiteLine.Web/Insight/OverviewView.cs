using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>An account as a credit committee looks at it.</summary>
/// <param name="Then">How it stood on the day since which changes are told.</param>
/// <param name="Changes">What was changed since, the latest first.</param>
internal sealed record OverviewView(
    string Code,
    string Name,
    string Currency,
    IReadOnlyList<OverviewMonthView> Months,
    MoneySum Sales,
    string? DaysToPay,
    string? DaysLate,
    int OfferedItems,
    int UsedItems,
    MoneySum DiscountsOffered,
    MoneySum DiscountsUsed,
    string? DiscountsShare,
    string? DiscountsAnnualCost,
    LeakageSumsView Leaked,
    int PromisesKept,
    int PromisesPartKept,
    int PromisesBroken,
    int PromisesWaiting,
    int PromisesReplaced,
    int PromisesKeptLate,
    Money Promised,
    Money PromisedReceived,
    OverviewStandingView Then,
    OverviewStandingView Now,
    IReadOnlyList<SuggestedLimitView> Suggested,
    IReadOnlyList<AuditEntry> Changes
);
