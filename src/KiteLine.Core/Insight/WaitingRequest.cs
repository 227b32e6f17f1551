namespace KiteLine.Core;

/// <summary>A limit or uplift that waits for approval, as the queue sees it.</summary>
/// <param name="About">The account's code or the group's name.</param>
/// <param name="Owner">Who looks after the account; empty for a group.</param>
/// <param name="More">By how much it would raise the limit.</param>
public sealed record WaitingRequest(
    long Id,
    string About,
    string Name,
    string Owner,
    bool OfGroup,
    string AskedBy,
    DateOnly AskedOn,
    Money Resulting,
    Money More
);
