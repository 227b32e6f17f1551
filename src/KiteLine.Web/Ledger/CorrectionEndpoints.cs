using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What settled an item put right, and rests written off; with <c>preview=true</c> shown and not stored.</summary>
internal static class CorrectionEndpoints
{
    internal static void MapCorrections(this RouteGroupBuilder api)
    {
        api.MapGet(
                "/postings/{entry:long}/settled",
                (long entry, Desk desk) =>
                    desk.Books.Read(c =>
                    {
                        var rounding = desk.Rules(c).Rounding;
                        return desk.Corrections.Of(c, entry).Select(s => SettledByView.Of(s, rounding)).ToList();
                    })
            )
            .WithTags("Ledger")
            .By(Role.Viewer)
            .WithName("listSettled")
            .WithSummary(
                "What a receipt settled, or what settled an invoice, and the discounts that could still be given"
            )
            .ProducesProblem(404);
        var allocations = api.MapGroup("/allocations/{id:long}").WithTags("Ledger");
        allocations
            .MapPost("/undo", Undo)
            .By(Role.Controller)
            .WithName("undoAllocation")
            .WithSummary("Takes back what a credit settled of an item; the credit is on account again")
            .ProducesProblem(400)
            .ProducesProblem(404);
        allocations
            .MapPost("/discount", Grant)
            .By(Role.Controller)
            .WithName("grantMissedDiscount")
            .WithSummary("Gives a discount that the payment did not take; the cash that it frees is on account")
            .ProducesProblem(400)
            .ProducesProblem(404);
        allocations
            .MapPost("/write-off-back", TakeWriteOffBack)
            .By(Role.Controller)
            .WithName("takeWriteOffBack")
            .WithSummary("Takes back what was written off with a payment; it is open again")
            .ProducesProblem(400)
            .ProducesProblem(404);
        api.MapPost("/accounts/{code}/items/{id:long}/write-off", WriteOff)
            .WithTags("Ledger")
            .By(Role.Controller)
            .WithName("writeOffItem")
            .WithSummary("Writes off what is open of an item, or a part of it")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EffectView Undo(long id, bool? preview, CorrectionRequest request, Desk desk, HttpContext context) =>
        Correct(
            desk,
            context,
            preview,
            id,
            (s, _, rules) =>
                AllocationCorrection.Undo(
                    s.Allocation,
                    s.Credit.Item,
                    s.Debit.Item,
                    s.Debit.Amounts,
                    request.Reason ?? "",
                    rules
                )
        );

    private static EffectView TakeWriteOffBack(
        long id,
        bool? preview,
        CorrectionRequest request,
        Desk desk,
        HttpContext context
    ) =>
        Correct(
            desk,
            context,
            preview,
            id,
            (s, _, rules) =>
                AllocationCorrection.WithoutWriteOff(
                    s.Allocation,
                    s.Credit.Item,
                    s.Debit.Item,
                    s.Debit.Amounts,
                    request.Reason ?? "",
                    rules
                )
        );

    private static EffectView Grant(long id, bool? preview, CorrectionRequest request, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        if (string.IsNullOrWhiteSpace(request.Step))
            throw new RefusedException("step", "Give the last day of the discount that was missed, as 2026-03-16.");
        var step = fields.Date("step", request.Step);
        fields.ThrowIfAny();
        return Correct(
            desk,
            context,
            preview,
            id,
            (s, authority, rules) =>
                AllocationCorrection.Grant(
                    s.Allocation,
                    s.Credit.Item,
                    s.Debit.Item,
                    s.Debit.Amounts,
                    step,
                    request.Reason ?? "",
                    authority,
                    rules
                )
        );
    }

    private static EffectView Correct(
        Desk desk,
        HttpContext context,
        bool? preview,
        long id,
        Func<SettledBy, Authority, BooksRules, Posting> decide
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Corrections.Preview(c, id, s => decide(s, context.Who().Authority, rules), rules),
            tx => desk.Corrections.Post(tx, id, s => decide(s, tx.Actor.Authority, tx.Rules()))
        );

    private static EffectView WriteOff(
        string code,
        long id,
        bool? preview,
        WriteOffRequest request,
        Desk desk,
        HttpContext context
    )
    {
        Posting Decide(ItemDetail of, Account account, Authority authority, BooksRules rules)
        {
            var (fields, item) = (new Fields(), of.Item);
            var amount = request.Amount is null ? item.Left : fields.Money("amount", request.Amount, item.Currency);
            fields.ThrowIfAny();
            return WriteOffPosting.Of(
                of,
                amount,
                request.BadDebt ?? false,
                account.Profile.Allowance.Choice == AllowanceChoice.Barred,
                request.Reason ?? "",
                authority,
                rules
            );
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) =>
            {
                var account = AccountStore.Get(c, code);
                return desk.Corrections.Preview(
                    c,
                    account,
                    id,
                    item => Decide(item, account, context.Who().Authority, rules),
                    rules
                );
            },
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                return desk.Corrections.Post(
                    tx,
                    account,
                    id,
                    item => Decide(item, account, tx.Actor.Authority, tx.Rules())
                );
            }
        );
    }
}
