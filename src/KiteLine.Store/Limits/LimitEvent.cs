using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One line of an account's limit history.</summary>
/// <param name="Id">Of an uplift that has not ended, so that it can be ended; otherwise null.</param>
public sealed record LimitEvent(
    LimitEventKind Kind,
    DateOnly From,
    DateOnly? Until,
    Money Amount,
    LimitSource Source,
    Money Insured,
    string Security,
    Money SecurityAmount,
    DateOnly? ReviewOn,
    string Reason,
    string MadeBy,
    string MadeAt,
    long? Id
);
