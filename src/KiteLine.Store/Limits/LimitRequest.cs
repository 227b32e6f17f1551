using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A limit or uplift above somebody's authority, asked for and perhaps answered.</summary>
/// <param name="Code">Of the account, or null for a group.</param>
/// <param name="AskedBy">The name of who asked, as it was then.</param>
/// <param name="AskedByIdentity">Who that was; empty of requests from before it was kept.</param>
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
    string AskedByIdentity,
    RequestState State,
    string AnsweredBy,
    string Answer
)
{
    /// <summary>
    /// Whether it is somebody's own. Of requests from before identities were kept, whose name is nobody's any more, the
    /// name alone is known.
    /// </summary>
    public bool IsOf(Actor who)
    {
        ArgumentNullException.ThrowIfNull(who);
        return AskedByIdentity.Length > 0 ? AskedByIdentity == who.Identity : AskedBy == who.Name;
    }
}
