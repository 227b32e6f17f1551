using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>How an account stood at the end of a day, as shown.</summary>
/// <param name="OldestDays">Days by which the oldest open debit is past due.</param>
internal sealed record OverviewStandingView(
    DateOnly Day,
    Money Exposure,
    Money Limit,
    string? Utilisation,
    Money Overdue,
    int OldestDays,
    AccountState State
);
