using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record TermsPolicyView(string Code, string Name, int Version, string Text, string Base, int GraceDays, string BusinessDays, long Uses, string MadeBy, string MadeAt);

internal sealed record TermsPolicyRequest(string? Code, string? Name, string? Text, string? Base, int? GraceDays, string? BusinessDays, string? Reason);

internal sealed record LateChargePolicyView(string Code, string Name, int Version, LateChargePolicyShape Policy, long Uses, string MadeBy, string MadeAt);

internal sealed record LateChargePolicyRequest(string? Code, string? Name, LateChargePolicyShape? Policy, string? Reason);

internal sealed record ReminderLevelShape(
    int? DaysAfterDue, int? DaysSincePrevious, int? DaysToPay, string? LeastOverdue, string? Fee, string? FeeTreatment, bool? ShowLateCharge, string? SetsState,
    string? Subject, string? Opening, string? Closing);

internal sealed record ReminderPlanView(string Code, string Name, int Version, IReadOnlyList<ReminderLevelShape> Levels, long Uses, string MadeBy, string MadeAt);

internal sealed record ReminderPlanRequest(string? Code, string? Name, IReadOnlyList<ReminderLevelShape>? Levels, string? Reason);

internal sealed record LetterField(string Name, string Meaning);

/// <summary>Terms, late-charge policies and reminder plans. A change is a new version and needs If-Match with the one read.</summary>
internal static class PolicyEndpoints
{
    internal static void MapPolicies(this RouteGroupBuilder api)
    {
        var policies = api.MapGroup("/policies").WithTags("Policies");
        policies.MapGet("/terms", (Desk desk) => List<TermsDefinition, TermsPolicyView>(desk, PolicyKind.Terms, View)).WithName("listTerms").WithSummary("Terms in their current version");
        policies.MapPost("/terms", (TermsPolicyRequest r, Desk desk, HttpContext c) => SaveTerms(r.Code, r, 0, desk, c)).WithName("addTerms").WithSummary("Adds terms").ProducesProblem(400);
        policies.MapPut("/terms/{*code}", (string code, TermsPolicyRequest r, Desk desk, HttpContext c) => SaveTerms(Decoded(code), r, (int)c.Version(), desk, c))
            .WithName("changeTerms").WithSummary("Changes terms; documents keep the version they were made under").ProducesProblem(400).ProducesProblem(412);

        policies.MapGet("/late-charges", (Desk desk) => List<LateChargePolicy, LateChargePolicyView>(desk, PolicyKind.LateCharge, View)).WithName("listLateChargePolicies").WithSummary("Late-charge policies");
        policies.MapPost("/late-charges", (LateChargePolicyRequest r, Desk desk, HttpContext c) => SaveCharge(r.Code, r, 0, desk, c)).WithName("addLateChargePolicy").WithSummary("Adds a late-charge policy").ProducesProblem(400);
        policies.MapPut("/late-charges/{*code}", (string code, LateChargePolicyRequest r, Desk desk, HttpContext c) => SaveCharge(Decoded(code), r, (int)c.Version(), desk, c))
            .WithName("changeLateChargePolicy").WithSummary("Changes a late-charge policy").ProducesProblem(400).ProducesProblem(412);

        policies.MapGet("/reminder-plans", (Desk desk) => List<ReminderPlan, ReminderPlanView>(desk, PolicyKind.ReminderPlan, View)).WithName("listReminderPlans").WithSummary("Reminder plans");
        policies.MapPost("/reminder-plans", (ReminderPlanRequest r, Desk desk, HttpContext c) => SavePlan(r.Code, r, 0, desk, c)).WithName("addReminderPlan").WithSummary("Adds a reminder plan").ProducesProblem(400);
        policies.MapPut("/reminder-plans/{*code}", (string code, ReminderPlanRequest r, Desk desk, HttpContext c) => SavePlan(Decoded(code), r, (int)c.Version(), desk, c))
            .WithName("changeReminderPlan").WithSummary("Changes a reminder plan").ProducesProblem(400).ProducesProblem(412);
        policies.MapGet("/letter-fields", () => LetterTexts.Fields.Select(f => new LetterField(f.Key, f.Value)).ToList())
            .WithName("listLetterFields").WithSummary("Fields that the texts of letters may use");
        policies.MapPost("/reminder-plans/try-out", (ReminderPlanRequest r, int? level, Desk desk) =>
        {
            var plan = Plan(r);
            var number = level ?? 1;
            if (number < 1 || number > plan.Levels.Count) throw new RefusedException("level", "Choose one of the plan's levels.");
            return Results.File(LetterPdf.Picture(SampleLetter.Of(desk.Snapshots.Current.Settings, plan.Levels[number - 1], number, desk.Today())), "image/png");
        }).WithName("tryOutReminder").WithSummary("The letter of a level on a sample account, as a picture").Produces<byte[]>(200, "image/png").ProducesProblem(400);
    }

    // Codes such as 2/10 n/30 bear a slash, which the server leaves encoded in a path.
    private static string Decoded(string code) => Uri.UnescapeDataString(code);

    private static List<TView> List<T, TView>(Desk desk, string kind, Func<StoredPolicy<T>, long, TView> view) => desk.Books.Read(connection =>
    {
        var uses = PolicyStore.Uses(connection, kind);
        return PolicyStore.All<T>(connection, kind).Select(p => view(p, uses.GetValueOrDefault(p.Code))).ToList();
    });

    private static TermsPolicyView SaveTerms(string? code, TermsPolicyRequest request, int version, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var @base = fields.Choice("base", request.Base, (DiscountBase?)DiscountBase.Gross);
        var business = fields.Choice("businessDays", request.BusinessDays, (BusinessDayRule?)BusinessDayRule.Keep);
        fields.ThrowIfAny();
        var definition = TermsDefinition.Checked(request.Text, @base, request.GraceDays ?? 0, business);
        return View(Save(desk, context, PolicyKind.Terms, string.IsNullOrWhiteSpace(code) ? definition.Text : code, request.Name, definition, version, request.Reason), 0);
    }

    private static LateChargePolicyView SaveCharge(string? code, LateChargePolicyRequest request, int version, Desk desk, HttpContext context)
    {
        var fields = new Fields();
        var policy = request.Policy?.Read("policy.", fields);
        if (policy is null) fields.Bad("policy", "Give the policy.");
        fields.ThrowIfAny();
        return View(Save(desk, context, PolicyKind.LateCharge, code, request.Name, policy!, version, request.Reason), 0);
    }

    private static ReminderPlanView SavePlan(string? code, ReminderPlanRequest request, int version, Desk desk, HttpContext context) =>
        View(Save(desk, context, PolicyKind.ReminderPlan, code, request.Name, Plan(request), version, request.Reason), 0);

    private static StoredPolicy<T> Save<T>(Desk desk, HttpContext context, string kind, string? code, string? name, T definition, int version, string? reason)
    {
        var fields = new Fields();
        var key = fields.Text("code", code, "a short code", 40);
        fields.ThrowIfAny();
        return desk.Books.Write(context.Who(), tx => PolicyStore.Save(tx, kind, key, name ?? "", definition, version, reason ?? ""));
    }

    private static ReminderPlan Plan(ReminderPlanRequest request)
    {
        var fields = new Fields();
        var levels = (request.Levels ?? []).Select((l, i) => new ReminderLevel
        {
            DaysAfterDue = l.DaysAfterDue ?? 0,
            DaysSincePrevious = l.DaysSincePrevious ?? 0,
            DaysToPay = l.DaysToPay ?? 7,
            LeastOverdue = fields.OptionalNumber($"levels[{i}].leastOverdue", l.LeastOverdue, 0, 1_000_000_000, "an amount such as 10.00") ?? 0,
            Fee = fields.OptionalNumber($"levels[{i}].fee", l.Fee, 0, 1_000_000, "an amount such as 12.00") ?? 0,
            FeeTreatment = fields.Choice($"levels[{i}].feeTreatment", l.FeeTreatment, (FeeTreatment?)FeeTreatment.None),
            ShowLateCharge = l.ShowLateCharge ?? false,
            SetsState = string.IsNullOrWhiteSpace(l.SetsState) ? null : fields.Choice<AccountState>($"levels[{i}].setsState", l.SetsState),
            Subject = l.Subject ?? "",
            Opening = l.Opening ?? "",
            Closing = l.Closing ?? "",
        }).ToList();
        var plan = new ReminderPlan { Levels = levels };
        foreach (var (field, message) in plan.Problems()) fields.Bad(field, message);
        for (var i = 0; i < levels.Count; i++)
        {
            foreach (var (name, text) in new[] { ("subject", levels[i].Subject), ("opening", levels[i].Opening), ("closing", levels[i].Closing) })
                if (LetterTexts.Problem(text) is { } problem) fields.Bad($"levels[{i}].{name}", problem);
        }

        fields.ThrowIfAny();
        return plan;
    }

    private static TermsPolicyView View(StoredPolicy<TermsDefinition> p, long uses) => new(
        p.Code, p.Name, p.Version, p.Definition.Text, Fields.Name(p.Definition.Base), p.Definition.GraceDays, Fields.Name(p.Definition.BusinessDays), uses, p.MadeBy, p.MadeAt);

    private static LateChargePolicyView View(StoredPolicy<LateChargePolicy> p, long uses) => new(p.Code, p.Name, p.Version, LateChargePolicyShape.Of(p.Definition), uses, p.MadeBy, p.MadeAt);

    private static ReminderPlanView View(StoredPolicy<ReminderPlan> p, long uses) => new(p.Code, p.Name, p.Version, [.. p.Definition.Levels.Select(l => new ReminderLevelShape(
        l.DaysAfterDue, l.DaysSincePrevious, l.DaysToPay, Exactly.Figure(l.LeastOverdue, 2, 4), Exactly.Figure(l.Fee, 2, 4), Fields.Name(l.FeeTreatment), l.ShowLateCharge,
        l.SetsState is { } s ? Fields.Name(s) : null, l.Subject, l.Opening, l.Closing))], uses, p.MadeBy, p.MadeAt);
}
