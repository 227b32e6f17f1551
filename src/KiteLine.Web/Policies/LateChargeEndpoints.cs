using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record LateChargePolicyView(string Code, string Name, int Version, LateChargePolicyShape Policy, long Uses, string MadeBy, string MadeAt);

internal sealed record LateChargePolicyRequest(string? Code, string? Name, LateChargePolicyShape? Policy, string? Reason);

/// <summary>Late-charge policies.</summary>
internal static class LateChargeEndpoints
{
    internal static void Map(RouteGroupBuilder policies) => policies.MapKind<LateChargePolicy, LateChargePolicyRequest, LateChargePolicyView>(
        "late-charges", PolicyKind.LateCharge, "LateChargePolicies", "LateChargePolicy", "late-charge policies", Read, View);

    private static PolicyRoutes.Given<LateChargePolicy> Read(LateChargePolicyRequest request, Desk desk)
    {
        var fields = new Fields();
        var policy = request.Policy?.Read("policy.", fields);
        if (policy is null) fields.Bad("policy", "Give the policy.");
        fields.ThrowIfAny();
        return new(request.Code, request.Name, policy!, request.Reason);
    }

    private static LateChargePolicyView View(StoredPolicy<LateChargePolicy> p, long uses, Desk desk) =>
        new(p.Code, p.Name, p.Version, LateChargePolicyShape.Of(p.Definition), uses, p.MadeBy, p.MadeAt);
}
