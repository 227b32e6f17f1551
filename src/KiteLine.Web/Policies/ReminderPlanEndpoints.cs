using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record ReminderLevelShape(
    int? DaysAfterDue, int? DaysSincePrevious, int? DaysToPay, string? LeastOverdue, string? Fee, string? FeeTreatment, bool? ShowLateCharge, string? SetsState,
    string? Subject, string? Opening, string? Closing);

internal sealed record ReminderPlanView(string Code, string Name, int Version, IReadOnlyList<ReminderLevelShape> Levels, long Uses, string MadeBy, string MadeAt);

internal sealed record ReminderPlanRequest(string? Code, string? Name, IReadOnlyList<ReminderLevelShape>? Levels, string? Reason);

/// <summary>Reminder plans.</summary>
internal static class ReminderPlanEndpoints
{
    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<ReminderPlan, ReminderPlanRequest, ReminderPlanView>("reminder-plans", PolicyKind.ReminderPlan, "ReminderPlans", "ReminderPlan", "reminder plans", Read, View);
        policies.MapGet("/letter-fields", () => LetterTexts.Kind.Fields.Select(f => new TextField(f.Key, f.Value)).ToList())
            .WithName("listLetterFields").WithSummary("Fields that the texts of letters may use");
        policies.MapPost("/reminder-plans/try-out", (ReminderPlanRequest r, int? level, Desk desk) =>
        {
            var plan = Plan(r);
            var number = level ?? 1;
            if (number < 1 || number > plan.Levels.Count) throw new RefusedException("level", "Choose one of the plan's levels.");
            return Results.File(LetterPdf.Picture(SampleLetter.Of(desk.Snapshots.Current.Settings, plan.Levels[number - 1], number, desk.Today())), "image/png");
        }).WithName("tryOutReminder").WithSummary("The letter of a level on a sample account, as a picture").Produces<byte[]>(200, "image/png").ProducesProblem(400);
    }

    private static PolicyRoutes.Given<ReminderPlan> Read(ReminderPlanRequest request, Desk desk) => new(request.Code, request.Name, Plan(request), request.Reason);

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
                if (LetterTexts.Kind.Problem(text) is { } problem) fields.Bad($"levels[{i}].{name}", problem);
        }

        fields.ThrowIfAny();
        return plan;
    }

    private static ReminderPlanView View(StoredPolicy<ReminderPlan> p, long uses, Desk desk) => new(p.Code, p.Name, p.Version, [.. p.Definition.Levels.Select(l => new ReminderLevelShape(
        l.DaysAfterDue, l.DaysSincePrevious, l.DaysToPay, Exactly.Figure(l.LeastOverdue, 2, 4), Exactly.Figure(l.Fee, 2, 4), Fields.Name(l.FeeTreatment), l.ShowLateCharge,
        l.SetsState is { } s ? Fields.Name(s) : null, l.Subject, l.Opening, l.Closing))], uses, p.MadeBy, p.MadeAt);
}
