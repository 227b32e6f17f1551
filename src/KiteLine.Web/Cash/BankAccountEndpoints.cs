using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Bank accounts: the company's own, and those that customers pay from.</summary>
internal static class BankAccountEndpoints
{
    internal static void MapBankAccounts(this RouteGroupBuilder api)
    {
        api.MapGet(
                "/bank/accounts",
                (Desk desk) => desk.Books.Read(c => OwnAccountStore.All(c).Select(OwnBankAccountView.Of).ToList())
            )
            .WithTags("Cash")
            .By(Role.Viewer)
            .WithName("listOwnBankAccounts")
            .WithSummary("The company's own bank accounts");
        api.MapPost(
                "/bank/accounts",
                (OwnBankAccountRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                            OwnAccountStore.Add(tx, request.Account ?? "", request.Currency ?? "", request.Method ?? "")
                    )
            )
            .WithTags("Cash")
            .By(Role.Manager)
            .WithName("addOwnBankAccount")
            .WithSummary("Adds a bank account of the company")
            .ProducesProblem(400);
        var customers = api.MapGroup("/accounts/{code}/bank-accounts").WithTags("Cash");
        customers
            .MapGet("/", (string code, Desk desk) => desk.Read(code, All))
            .By(Role.Viewer)
            .WithName("listBankAccounts")
            .WithSummary("The bank accounts that a customer pays from")
            .ProducesProblem(404);
        customers
            .MapPost(
                "/",
                (string code, BankAccountRequest request, Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                            BankAccountView.Of(
                                PayerAccountStore.Add(
                                    tx,
                                    AccountStore.Get(tx.Connection, code),
                                    request.BankAccount ?? ""
                                )
                            )
                    )
            )
            .By(Role.Controller)
            .WithName("addBankAccount")
            .WithSummary("Adds a bank account that a customer pays from")
            .ProducesProblem(400)
            .ProducesProblem(404);
        customers
            .MapDelete("/{id:long}", Remove)
            .By(Role.Controller)
            .WithName("removeBankAccount")
            .WithSummary("Removes one: payments from it are recognised by it no more")
            .ProducesProblem(404);
    }

    private static IReadOnlyList<BankAccountView> All(SqliteConnection connection, Account account) =>
        [.. PayerAccountStore.Of(connection, account).Select(BankAccountView.Of)];

    private static IReadOnlyList<BankAccountView> Remove(string code, long id, Desk desk, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                PayerAccountStore.Remove(tx, account, id);
                return All(tx.Connection, account);
            }
        );
}
