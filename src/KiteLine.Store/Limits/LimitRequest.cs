using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A limit or uplift above somebody's authority, asked for and perhaps answered.</summary>
/// <param name="Code">Of the account, or null for a group.</param>
/// <param name="Resulting">The effective limit it would lead to.</param>
public sealed record LimitRequest(
    long Id,
    string? Code,
    string Name,
    bool OfGroup,
    Currency Currency,
    LimitProposal Proposal,
    Money Resulting,
    DateOnly AskedOn,
    DateOnly ExpiresOn,
    string AskedBy,
    RequestState State,
    string AnsweredBy,
    string Answer
);
