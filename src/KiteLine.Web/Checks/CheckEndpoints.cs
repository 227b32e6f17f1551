using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The question whether an order of some amount may go; nothing is stored.</summary>
internal static class CheckEndpoints
{
    internal static void MapChecks(this RouteGroupBuilder api)
    {
        api.MapPost("/checks", Check)
            .By(Role.Viewer)
            .WithTags("Checks")
            .WithName("checkCredit")
            .WithSummary("May an order of this amount go? Nothing is stored")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static CheckView Check(CheckRequest request, Desk desk)
    {
        var fields = new Fields();
        var code = fields.Text("account", request.Account, "the account's code");
        fields.ThrowIfAny();
        var book = desk.Snapshots.Current;
        return desk.Read(
            code,
            (_, account) =>
            {
                var currency = string.IsNullOrWhiteSpace(request.Currency)
                    ? account.Currency
                    : fields.Currency("currency", request.Currency);
                if (!ReferenceEquals(currency, account.Currency))
                    fields.Bad("currency", $"The account is kept in {account.Currency.Code}; ask in that currency.");
                var amount = fields.Money("amount", request.Amount, account.Currency);
                fields.ThrowIfAny();
                return CheckView.Of(CheckDesk.Check(book, account, amount, desk.Today(book.Settings)));
            }
        );
    }
}
