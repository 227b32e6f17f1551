using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Entry">The posting that made it.</param>
/// <param name="Why">What the posting says of itself, with its reason.</param>
internal sealed record LeakCaseView(
    string Account,
    string Name,
    string Owner,
    string Currency,
    string Document,
    LeakKind Kind,
    DateOnly Day,
    DateOnly? LastDay,
    int DaysLate,
    Money Amount,
    long? Entry,
    string Who,
    string Why
);
