using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Terms.</summary>
internal static class TermsEndpoints
{
    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<TermsDefinition, TermsPolicyRequest, TermsPolicyView>(
            "terms",
            PolicyKind.Terms,
            "Terms",
            "Terms",
            "terms",
            Read,
            View
        );
        policies
            .MapGet("/terms-fields", () => TermsTexts.Kind.Fields.Select(f => new TextField(f.Key, f.Value)).ToList())
            .By(Role.Viewer)
            .WithName("listTermsFields")
            .WithSummary("Fields that the text of terms may use");
    }

    private static PolicyRoutes.Given<TermsDefinition> Read(TermsPolicyRequest request, Desk desk)
    {
        var fields = new Fields();
        var conditions = (request.Conditions ?? new(null, null, null, null, null)).Read("conditions.", fields);
        var printed = request.Printed?.Trim() ?? "";
        if (printed.Length > 2000)
            fields.Bad("printed", "Give at most 2000 characters.");
        if (TermsTexts.Kind.Problem(printed) is { } problem)
            fields.Bad("printed", problem);
        fields.ThrowIfAny();
        var definition = TermsDefinition.Checked(request.Text, conditions, printed);
        return new(
            string.IsNullOrWhiteSpace(request.Code) ? definition.Text : request.Code,
            request.Name,
            definition,
            request.Reason
        );
    }

    private static TermsPolicyView View(StoredPolicy<TermsDefinition> p, long uses, Desk desk) =>
        new(
            p.Code,
            p.Name,
            p.Version,
            p.Definition.Text,
            TermsShape.Of(p.Definition.ToTerms()),
            TermsConditionsShape.Of(p.Definition.Conditions),
            p.Definition.Printed,
            [.. TermsWarnings.Of(p.Definition.ToTerms(), desk.Snapshots.Current.Settings.TermsLimits)],
            uses,
            p.MadeBy,
            p.MadeAt
        );
}
