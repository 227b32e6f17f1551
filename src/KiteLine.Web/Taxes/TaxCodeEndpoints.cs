using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Tax codes.</summary>
internal static class TaxCodeEndpoints
{
    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<TaxCode, TaxCodeRequest, TaxCodeView>(
            "tax-codes",
            PolicyKind.TaxCode,
            "TaxCodes",
            "TaxCode",
            "tax codes",
            Read,
            View
        );
        policies
            .MapPost("/tax-codes/try-out", TryOut)
            .By(Role.Viewer)
            .WithName("tryOutTaxCode")
            .WithSummary("The tax on a sample invoice, by authority; nothing is stored")
            .ProducesProblem(400);
    }

    private static TaxTryOut TryOut(TaxTryOutRequest request, Desk desk)
    {
        var fields = new Fields();
        var currency = fields.Currency("currency", request.Currency);
        var goods = fields.Money("goods", request.Goods, currency);
        var freight = fields.OptionalMoney("freight", request.Freight, currency);
        var day = fields.Date("on", request.On);
        fields.ThrowIfAny();
        var code = Read(request.TaxCode ?? new(null, null, null, null, null), desk).Definition;
        if (code.On(day) is not { } rate)
            throw new RefusedException(
                "on",
                $"No rate is known for {Exactly.Day(day)}; the first holds from {Exactly.Day(code.Rates[0].From)}."
            );
        var split = code.Of(goods, freight, day, desk.Snapshots.Current.Settings.Rounding);
        return new(
            split.Taxed,
            split.Tax,
            goods + freight + split.Tax,
            Exactly.Plain(rate.Percent),
            [
                .. split.Parts.Select(p => new TaxPart(
                    p.Component.Authority,
                    Exactly.Plain(p.Component.Percent),
                    p.Amount
                )),
            ]
        );
    }

    private static PolicyRoutes.Given<TaxCode> Read(TaxCodeRequest request, Desk desk)
    {
        const string Rate = "a rate in percent, such as 20";
        var fields = new Fields();
        var code = new TaxCode
        {
            FreightTaxed = request.FreightTaxed ?? true,
            Rates =
            [
                .. (request.Rates ?? []).Select(
                    (r, i) =>
                        new TaxRate(
                            fields.Date($"rates[{i}].from", r.From),
                            fields.Number($"rates[{i}].percent", r.Percent, 0, 100, Rate),
                            [
                                .. (r.Components ?? []).Select(
                                    (c, j) =>
                                        new TaxComponent(
                                            c.Authority?.Trim() ?? "",
                                            fields.Number(
                                                $"rates[{i}].components[{j}].percent",
                                                c.Percent,
                                                0,
                                                100,
                                                Rate
                                            )
                                        )
                                ),
                            ]
                        )
                ),
            ],
        };
        fields.ThrowIfAny();
        RefusedException.ThrowIfAny(code.Problems());
        return new(request.Code, request.Name, code, request.Reason);
    }

    private static TaxCodeView View(StoredPolicy<TaxCode> p, long uses, Desk desk) =>
        new(
            p.Code,
            p.Name,
            p.Version,
            [
                .. p.Definition.Rates.Select(r => new TaxRateShape(
                    $"{r.From:yyyy-MM-dd}",
                    Exactly.Plain(r.Percent),
                    [.. r.Components.Select(c => new TaxComponentShape(c.Authority, Exactly.Plain(c.Percent)))]
                )),
            ],
            p.Definition.FreightTaxed,
            uses,
            p.MadeBy,
            p.MadeAt
        );
}
