using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What somebody asked for above the own authority, and how it was answered.</summary>
internal sealed record LimitRequestView(
    long Id,
    string? Code,
    string Name,
    bool OfGroup,
    string Currency,
    LimitKind Kind,
    Money Amount,
    Money Resulting,
    DateOnly From,
    DateOnly? Until,
    LimitSource Source,
    string Reason,
    DateOnly AskedOn,
    DateOnly ExpiresOn,
    string AskedBy,
    RequestState State,
    string AnsweredBy,
    string Answer,
    bool Mine
)
{
    internal static LimitRequestView Of(LimitRequest r, Actor who) =>
        new(
            r.Id,
            r.Code,
            r.Name,
            r.OfGroup,
            r.Currency.Code,
            r.Proposal.Kind,
            Money.FromMinor(r.Proposal.Amount, r.Currency),
            r.Resulting,
            r.Proposal.From,
            r.Proposal.Until,
            r.Proposal.Source,
            r.Proposal.Reason,
            r.AskedOn,
            r.ExpiresOn,
            r.AskedBy,
            r.State,
            r.AnsweredBy,
            r.Answer,
            r.IsOf(who)
        );
}
