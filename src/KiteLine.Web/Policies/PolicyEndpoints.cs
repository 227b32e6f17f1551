using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Everything a company decides once. A change is a new version and needs If-Match with the one read.
/// </summary>
internal static class PolicyEndpoints
{
    internal static void MapPolicies(this RouteGroupBuilder api)
    {
        var policies = api.MapGroup("/policies").WithTags("Policies");
        TermsEndpoints.Map(policies);
        LateChargePolicyEndpoints.Map(policies);
        ReminderPlanEndpoints.Map(policies);
        CalendarEndpoints.Map(policies);
        TaxCodeEndpoints.Map(policies);
        ReferenceRateEndpoints.Map(policies);
        policies
            .MapGet(
                "/{kind}/history",
                (string kind, string code, Desk desk) =>
                    desk.Books.Read(connection => AuditEntry.Of(Audit.Of(connection, $"{Kind(kind)}:{code}")))
            )
            .By(Role.Viewer)
            .WithName("getPolicyHistory")
            .WithSummary("What was changed on a policy, by whom and why")
            .ProducesProblem(400);
        policies
            .MapGet(
                "/{kind}/users",
                (string kind, string code, Desk desk) =>
                    desk.Books.Read(connection =>
                    {
                        var (total, first) = PolicyStore.Users(connection, Kind(kind), code, 50);
                        return new PolicyUsers(total, [.. first.Select(a => new PolicyUser(a.Code, a.Name))]);
                    })
            )
            .By(Role.Viewer)
            .WithName("getPolicyUsers")
            .WithSummary("The accounts that use a policy")
            .ProducesProblem(400);
    }

    private static string Kind(string path) =>
        path switch
        {
            "terms" => PolicyKind.Terms,
            "late-charges" => PolicyKind.LateCharge,
            "reminder-plans" => PolicyKind.ReminderPlan,
            "calendars" => PolicyKind.Calendar,
            "tax-codes" => PolicyKind.TaxCode,
            "reference-rates" => PolicyKind.ReferenceRate,
            _ => throw new RefusedException(
                "kind",
                "Choose one of terms, late-charges, reminder-plans, calendars, tax-codes, reference-rates."
            ),
        };
}
