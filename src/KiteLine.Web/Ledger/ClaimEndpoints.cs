using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What customers say about their debts: that they dispute it, or when they will pay.</summary>
internal static class ClaimEndpoints
{
    internal static void MapClaims(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Ledger");
        accounts
            .MapPost(
                "/disputes",
                (string code, DisputeRequest r, Desk desk, HttpContext context) =>
                    On(
                        desk,
                        context,
                        code,
                        (tx, account) =>
                        {
                            var fields = new Fields();
                            var amount = string.IsNullOrWhiteSpace(r.Amount)
                                ? (Money?)null
                                : fields.Money("amount", r.Amount, account.Currency);
                            fields.ThrowIfAny();
                            DisputeStore.Raise(tx, account, r.ItemId, amount, r.Owner ?? "", r.Reason ?? "");
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("raiseDispute")
            .WithSummary("Notes that the customer disputes an item or a part of it")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/disputes/{id:long}/settle",
                (string code, long id, SettleRequest r, Desk desk, HttpContext context) =>
                    On(
                        desk,
                        context,
                        code,
                        (tx, account) =>
                            DisputeStore.Settle(tx, account, id, r.Outcome ?? "", r.AgainstCustomer ?? false)
                    )
            )
            .By(Role.Controller)
            .WithName("settleDispute")
            .WithSummary("Settles a dispute with its outcome")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/promises",
                (string code, PromiseRequest r, Desk desk, HttpContext context) =>
                    On(
                        desk,
                        context,
                        code,
                        (tx, account) =>
                        {
                            var fields = new Fields();
                            var amount = fields.Money("amount", r.Amount, account.Currency);
                            var due = fields.Date("dueOn", r.DueOn);
                            fields.ThrowIfAny();
                            PromiseStore.Add(tx, account, amount, due, r.Contact ?? "", r.Note ?? "", r.Replaces);
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("notePromise")
            .WithSummary("Notes what the customer promised to pay, and by when")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/promises/{id:long}/withdraw",
                (string code, long id, ReasonRequest r, Desk desk, HttpContext context) =>
                    On(desk, context, code, (tx, account) => PromiseStore.Withdraw(tx, account, id, r.Reason ?? ""))
            )
            .By(Role.Controller)
            .WithName("withdrawPromise")
            .WithSummary("Takes a promise back that was noted")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static AccountRow On(Desk desk, HttpContext context, string code, Action<Tx, Account> act) =>
        desk.Write(
            context,
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                act(tx, account);
                var settings = CompanyStore.Settings(tx.Connection);
                return AccountRow.Of(Rules.Position(tx.Connection, account, tx.BusinessDate()), settings.Buckets());
            }
        );
}
