using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Credits that are set against debits later; with <c>preview=true</c> shown and not stored.</summary>
internal static class SetOffEndpoints
{
    internal static void MapSetOffs(this RouteGroupBuilder api) =>
        api.MapGroup("/accounts/{code}")
            .WithTags("Cash")
            .MapPost("/set-offs", SetOff)
            .By(Role.Controller)
            .WithName("setOff")
            .WithSummary("Sets a credit note, or what is left on account, against open items")
            .ProducesProblem(400)
            .ProducesProblem(404);

    private static EffectView SetOff(
        string code,
        bool? preview,
        SetOffRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) =>
            {
                var account = AccountStore.Get(c, code);
                var (items, valueDate) = Read(request, account, rules);
                return desk.Allocations.Preview(c, account, request.Credit, items, valueDate, rules);
            },
            tx =>
            {
                var account = AccountStore.Get(tx.Connection, code);
                var (items, valueDate) = Read(request, account, tx.Rules());
                return desk.Allocations.Set(tx, account, request.Credit, items, valueDate);
            }
        );

    private static (IReadOnlyList<(long Item, Money Amount)> Items, DateOnly ValueDate) Read(
        SetOffRequest request,
        Account account,
        BooksRules rules
    )
    {
        var fields = new Fields();
        var valueDate = fields.OptionalDate("valueDate", request.ValueDate) ?? rules.Today;
        var items = new List<(long Item, Money Amount)>();
        foreach (var (given, i) in (request.Items ?? []).Select((g, i) => (g, i)))
        {
            if (items.Exists(x => x.Item == given.Item))
                fields.Bad($"items[{i}].item", "This item stands in the list twice; give one amount for it.");
            items.Add((given.Item, fields.Money($"items[{i}].amount", given.Amount, account.Currency)));
        }

        fields.ThrowIfAny();
        return (items, valueDate);
    }
}
