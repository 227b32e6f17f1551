using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What came of a call, written down in one step: all of it or nothing.</summary>
internal static class CallEndpoints
{
    internal static void MapCalls(this RouteGroupBuilder api) =>
        api.MapGroup("/accounts/{code}")
            .WithTags("Accounts")
            .MapPost(
                "/calls",
                (string code, CallRequest request, Desk desk, HttpContext context) =>
                {
                    // Before the books are locked: it may take a look at all of them.
                    var needs = string.IsNullOrWhiteSpace(request.CallAgain) ? [] : Needs(code, desk);
                    return AccountRunner.Decide(
                        code,
                        desk,
                        context,
                        (tx, account, fields) => Write(tx, account, request, needs, fields, desk)
                    );
                }
            )
            .By(Role.Controller)
            .WithName("noteCall")
            .WithSummary(
                "Notes what came of a call: what was said, a promise, a dispute, the day to call again, copies"
            )
            .ProducesProblem(400)
            .ProducesProblem(404);

    // What the call was about, as Today tells it.
    private static string[] Needs(string code, Desk desk) =>
        [
            .. desk
                .Needs.On(desk.Today())
                .Ranked.Where(e => !e.OfGroup && string.Equals(e.About, code, StringComparison.OrdinalIgnoreCase))
                .Select(e => e.Key),
        ];

    private static void Write(Tx tx, Account account, CallRequest r, string[] needs, Fields fields, Desk desk)
    {
        var promised = r.Promise is { } promise
            ? (
                Amount: fields.Money("promise.amount", promise.Amount, account.Currency),
                DueOn: fields.Date("promise.dueOn", promise.DueOn)
            )
            : ((Money Amount, DateOnly DueOn)?)null;
        var disputed =
            r.Dispute is { } dispute && !string.IsNullOrWhiteSpace(dispute.Amount)
                ? fields.Money("dispute.amount", dispute.Amount, account.Currency)
                : (Money?)null;
        var again = fields.OptionalDate("callAgain", r.CallAgain);
        fields.ThrowIfAny();
        var (today, contact, statement) = (tx.BusinessDate(), r.Contact ?? "", r.Statement ?? false);
        CallStore.Called(tx, account);
        if (promised is { } p)
            Under("promise.", () => PromiseStore.Add(tx, account, p.Amount, p.DueOn, contact, "", r.Promise!.Replaces));
        if (r.Dispute is { } d)
            Under(
                "dispute.",
                () => DisputeStore.Raise(tx, account, d.ItemId, disputed, d.Owner ?? account.Owner, d.Reason ?? "")
            );
        var copies = (r.Copies ?? []).Distinct().Select(Copy).ToArray();
        if (statement)
            Queue(desk.Messages.OfStatement(tx.Connection, account, CallOutcome.StatementFrom(today), today));
        if (again is { } on)
        {
            CallStore.Again(tx, account, on, r.CallAbout ?? "");
            foreach (var need in needs)
                PutOffStore.Put(tx, need, on, "called");
        }

        var outcome = new CallOutcome(
            r.Text?.Trim() ?? "",
            promised,
            r.Dispute is { } raised
                ? (DocumentStore.OfItem(tx.Connection, account, raised.ItemId)?.Number ?? "", raised.Reason!.Trim())
                : null,
            copies,
            statement,
            again
        );
        foreach (var entry in outcome.Entries())
            ContactLog.Add(tx, account, ContactKind.Call, today, contact, entry, today);

        string Copy(long item)
        {
            if (
                DocumentStore.OfItem(tx.Connection, account, item)
                is not { Kind: ItemKind.Invoice or ItemKind.CreditNote } document
            )
                throw new RefusedException("copies", "Choose invoices and credit notes of this account.");
            var about = desk.Messages.OfDocument(tx.Connection, DocumentStore.Get(tx.Connection, document.Id));
            Queue(about);
            return about.Subject.Number;
        }

        void Queue(MessageSource.About about)
        {
            var typed = string.IsNullOrWhiteSpace(r.Recipients) ? null : r.Recipients;
            desk.Messages.Queue(tx, about, typed is null ? null : Delivery.Email, typed);
        }
    }

    // Names the part of the call that a refusal is about.
    private static void Under(string part, Action act)
    {
        try
        {
            act();
        }
        catch (RefusedException e)
        {
            throw new RefusedException([.. e.Problems.Select(p => p with { Field = part + p.Field })]);
        }
    }
}
