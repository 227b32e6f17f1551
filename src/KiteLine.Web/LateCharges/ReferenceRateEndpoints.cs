using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Reference rates, the company's own table of them.</summary>
internal static class ReferenceRateEndpoints
{
    internal static void Map(RouteGroupBuilder policies) =>
        policies.MapKind<ReferenceRate, ReferenceRateRequest, ReferenceRateView>(
            "reference-rates",
            PolicyKind.ReferenceRate,
            "ReferenceRates",
            "ReferenceRate",
            "reference rates",
            Read,
            View
        );

    private static PolicyRoutes.Given<ReferenceRate> Read(ReferenceRateRequest request, Desk desk)
    {
        var fields = new Fields();
        var rate = new ReferenceRate
        {
            Rates =
            [
                .. (request.Rates ?? []).Select(
                    (r, i) =>
                        new RateRow(
                            fields.Date($"rates[{i}].from", r.From),
                            fields.Number(
                                $"rates[{i}].annualRate",
                                r.AnnualRate,
                                -20,
                                1000,
                                "a rate in percent a year, such as 3.75"
                            )
                        )
                ),
            ],
        };
        fields.ThrowIfAny();
        RefusedException.ThrowIfAny(rate.Problems());
        return new(request.Code, request.Name, rate, request.Reason);
    }

    private static ReferenceRateView View(StoredPolicy<ReferenceRate> p, long uses, Desk desk) =>
        new(
            p.Code,
            p.Name,
            p.Version,
            [.. p.Definition.Rates.Select(r => new RateShape($"{r.From:yyyy-MM-dd}", Exactly.Plain(r.AnnualRate)))],
            uses,
            p.MadeBy,
            p.MadeAt
        );
}
