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
    string Kind,
    string Amount,
    string Resulting,
    string From,
    string? Until,
    string Source,
    string Reason,
    string AskedOn,
    string ExpiresOn,
    string AskedBy,
    string State,
    string AnsweredBy,
    string Answer,
    bool Mine
)
{
    internal static LimitRequestView Of(LimitRequest r, string who) =>
        new(
            r.Id,
            r.Code,
            r.Name,
            r.OfGroup,
            r.Currency.Code,
            r.Proposal.IsUplift ? "uplift" : "limit",
            $"{Money.FromMinor(r.Proposal.Amount, r.Currency)}",
            $"{r.Resulting}",
            $"{r.Proposal.From:yyyy-MM-dd}",
            r.Proposal.Until?.ToString("O"),
            Fields.Name(r.Proposal.Source),
            r.Proposal.Reason,
            $"{r.AskedOn:yyyy-MM-dd}",
            $"{r.ExpiresOn:yyyy-MM-dd}",
            r.AskedBy,
            Fields.Name(r.State),
            r.AnsweredBy,
            r.Answer,
            r.AskedBy == who
        );
}
