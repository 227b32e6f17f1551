using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Sets limits and uplifts of accounts and groups, asks for them, and answers what was asked for.</summary>
internal static class LimitRunner
{
    internal static LimitAnswerView Propose(
        Desk desk,
        HttpContext context,
        Func<SqliteConnection, LimitHolder> holder,
        SetLimitRequest request,
        bool uplift
    ) =>
        desk.Write(
            context,
            tx =>
            {
                var on = holder(tx.Connection);
                var fields = new Fields();
                var amount = fields.Money("amount", request.Amount, on.Currency);
                var from = fields.Date("from", request.From);
                var until = uplift ? fields.Date("until", request.Until) : (DateOnly?)null;
                var reason = fields.Text("reason", request.Reason, "the reason, in a few words");
                var source = fields.Choice("source", request.Source, (LimitSource?)LimitSource.OwnAssessment);
                var insured = fields.OptionalMoney("insured", request.Insured, on.Currency);
                var security = fields.OptionalMoney("securityAmount", request.SecurityAmount, on.Currency);
                var review = fields.OptionalDate("reviewOn", request.ReviewOn);
                fields.ThrowIfAny();
                var proposal = new LimitProposal(
                    amount.Minor,
                    from,
                    until,
                    reason,
                    source,
                    insured.Minor,
                    request.Security?.Trim() ?? "",
                    security.Minor,
                    uplift ? null : review
                );
                var asked = LimitDesk.Propose(
                    tx,
                    on,
                    uplift || review is not null ? proposal : LimitDesk.Reviewed(tx, on, proposal)
                );
                return new LimitAnswerView(
                    asked is null ? LimitOutcome.Set : LimitOutcome.Asked,
                    asked is null ? null : LimitRequestView.Of(asked, tx.Actor)
                );
            }
        );

    internal static LimitAnswerView End(
        Desk desk,
        HttpContext context,
        Func<SqliteConnection, LimitHolder> holder,
        long id,
        ReasonRequest request
    ) =>
        desk.Write(
            context,
            tx =>
            {
                LimitStore.EndUplift(tx, holder(tx.Connection), id, request.Reason ?? "");
                return new LimitAnswerView(LimitOutcome.Set, null);
            }
        );

    internal static LimitRequestView Answer(Desk desk, HttpContext context, Func<Tx, LimitRequest> act) =>
        desk.Write(context, tx => LimitRequestView.Of(act(tx), tx.Actor));
}
