using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Reminder plans.</summary>
internal static class ReminderPlanEndpoints
{
    internal static void Map(RouteGroupBuilder policies)
    {
        policies.MapKind<ReminderPlan, ReminderPlanRequest, ReminderPlanView>(
            "reminder-plans",
            PolicyKind.ReminderPlan,
            "ReminderPlans",
            "ReminderPlan",
            "reminder plans",
            Read,
            View
        );
        policies
            .MapGet("/letter-fields", () => LetterTexts.Kind.Fields.Select(f => new TextField(f.Key, f.Value)).ToList())
            .By(Role.Viewer)
            .WithName("listLetterFields")
            .WithSummary("Fields that the texts of letters may use");
        policies
            .MapPost(
                "/reminder-plans/try-out",
                (ReminderPlanRequest r, int? level, string? language, Desk desk) =>
                {
                    var plan = Plan(r);
                    var number = level ?? 1;
                    if (number < 1 || number > plan.Levels.Count)
                        throw new RefusedException("level", "Choose one of the plan's levels.");
                    return Results.File(
                        LetterPdf.Picture(
                            SampleLetter.Of(
                                desk.Snapshots.Current.Settings,
                                plan,
                                number,
                                language ?? "",
                                desk.Books.Read(desk.Rules)
                            )
                        ),
                        "image/png"
                    );
                }
            )
            .By(Role.Viewer)
            .WithName("tryOutReminder")
            .WithSummary("The letter of a level on a sample account, as a picture")
            .Produces<byte[]>(200, "image/png")
            .ProducesProblem(400);
    }

    private static PolicyRoutes.Given<ReminderPlan> Read(ReminderPlanRequest request, Desk desk) =>
        new(request.Code, request.Name, Plan(request), request.Reason);

    private static ReminderPlan Plan(ReminderPlanRequest request)
    {
        var fields = new Fields();
        var plan = new ReminderPlan
        {
            Levels = [.. (request.Levels ?? []).Select((l, i) => l.Read($"levels[{i}].", fields))],
            MostReminders = request.MostReminders,
            AllowJumps = request.AllowJumps ?? false,
            LetterPerLevel = request.LetterPerLevel ?? false,
        };
        foreach (var (field, message) in plan.Problems())
            fields.Bad(field, message);
        fields.ThrowIfAny();
        return plan;
    }

    private static ReminderPlanView View(StoredPolicy<ReminderPlan> p, long uses, Desk desk) =>
        new(
            p.Code,
            p.Name,
            p.Version,
            [.. p.Definition.Levels.Select(ReminderLevelShape.Of)],
            p.Definition.MostReminders,
            p.Definition.AllowJumps,
            p.Definition.LetterPerLevel,
            uses,
            p.MadeBy,
            p.MadeAt
        );
}
