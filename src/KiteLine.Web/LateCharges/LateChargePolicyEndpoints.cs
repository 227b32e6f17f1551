using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Late-charge policies, the templates to start one from, and trying one out.</summary>
internal static class LateChargePolicyEndpoints
{
    private const int LongestTryOut = 1100;

    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<LateChargePolicy, LateChargePolicyRequest, LateChargePolicyView>(
            "late-charges",
            PolicyKind.LateCharge,
            "LateChargePolicies",
            "LateChargePolicy",
            "late-charge policies",
            Read,
            View
        );
        policies
            .MapGet("/late-charge-templates", () => StatutoryTemplates.All)
            .By(Role.Viewer)
            .WithName("listLateChargeTemplates")
            .WithSummary("Statutory interest to start a policy from");
        policies
            .MapPost("/late-charges/try-out", TryOut)
            .By(Role.Viewer)
            .WithName("tryOutLateCharge")
            .WithSummary("The charge on a sample item, day by day; nothing is stored")
            .ProducesProblem(400);
    }

    private static LateChargeTryOut TryOut(LateChargeRequest request, Desk desk) =>
        desk.Books.Read(connection =>
        {
            var rounding = CompanyStore.Settings(connection).Rounding;
            var (item, policy, charge) = LateChargeCalculator.Charge(
                request,
                p => PolicyStore.WithReference(connection, p),
                rounding
            );
            var days = Math.Min(LongestTryOut, charge.Through.DayNumber - item.Due.DayNumber);
            return new LateChargeTryOut(
                charge.Interest,
                charge.Compensation,
                charge.Total,
                [.. charge.Segments.Select(s => SegmentLine.Of(s, item.Currency))],
                [
                    .. Enumerable
                        .Range(0, Math.Max(0, days + 1))
                        .Select(n => item.Due.AddDays(n))
                        .Select(day => new DailyTotal(day, Total(item, policy, day, rounding))),
                ],
                [.. ChargeWorkings.Of(policy, charge, rounding)]
            );
        });

    private static Money Total(Item item, LateChargePolicy policy, DateOnly day, RoundingRule rounding) =>
        AccountCharges.OfItem(item, policy, null, day, rounding).Total;

    private static PolicyRoutes.Given<LateChargePolicy> Read(LateChargePolicyRequest request, Desk desk) =>
        desk.Books.Read(connection =>
        {
            var fields = new Fields();
            var policy = request.Policy?.Read("policy.", fields, p => PolicyStore.WithReference(connection, p));
            if (policy is null)
                fields.Bad("policy", "Give the policy.");
            if (
                policy is { TaxCode.Length: > 0 }
                && PolicyStore.Find<TaxCode>(connection, PolicyKind.TaxCode, policy.TaxCode) is null
            )
                fields.Bad("policy.taxCode", $"There is no tax code ‘{policy.TaxCode}’.");
            fields.ThrowIfAny();
            return new PolicyRoutes.Given<LateChargePolicy>(request.Code, request.Name, policy!, request.Reason);
        });

    private static LateChargePolicyView View(StoredPolicy<LateChargePolicy> p, long uses, Desk desk) =>
        new(p.Code, p.Name, p.Version, LateChargePolicyShape.Of(p.Definition), uses, p.MadeBy, p.MadeAt);
}
