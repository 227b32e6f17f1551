using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Reminders of an account: the next one, its letter, issuing and cancelling it.</summary>
internal static class ReminderEndpoints
{
    private const int LongestYears = 5;

    internal static void MapReminders(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Reminders");
        accounts
            .MapGet("/reminder", ProposeReminder)
            .By(Role.Viewer)
            .WithName("proposeReminder")
            .WithSummary("The next reminder, or why there is none");
        accounts
            .MapGet(
                "/reminder.pdf",
                (string code, string? date, Desk desk) =>
                    desk.Read(
                        code,
                        (connection, account) =>
                        {
                            var day = Fields.Day("date", date, desk.Today());
                            var proposal = desk.Reminders.Propose(connection, account, day, desk.Rules(connection));
                            if (proposal.LeftOut is { } why)
                                throw new RefusedException("account", why);
                            return Results.File(
                                desk.Reminders.Letter(connection, account, proposal),
                                "application/pdf"
                            );
                        }
                    )
            )
            .By(Role.Viewer)
            .WithName("previewReminderLetter")
            .WithSummary("The letter of the next reminder as it would print")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(400);
        accounts
            .MapPost("/reminders", IssueReminder)
            .By(Role.Controller)
            .WithName("issueReminder")
            .WithSummary("Issues the next reminder")
            .ProducesProblem(400);

        var reminders = api.MapGroup("/reminders").WithTags("Reminders");
        reminders
            .MapGet(
                "/{number}/letter.pdf",
                (string number, Desk desk) =>
                    Results.File(desk.Books.Read(c => ReminderStore.LetterOf(c, number)), "application/pdf")
            )
            .By(Role.Viewer)
            .WithName("getReminderLetter")
            .WithSummary("The letter that was issued")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(404);
        reminders
            .MapGet(
                "/{number}/ubl",
                (string number, Desk desk) =>
                    Results.File(
                        UblReminder.Write(desk.Books.Read(c => ReminderStore.Printed(c, number))),
                        "application/xml"
                    )
            )
            .By(Role.Viewer)
            .Heavy()
            .WithName("getReminderUbl")
            .WithSummary("The reminder as it was issued, as a UBL 2.1 Reminder")
            .Produces<byte[]>(200, "application/xml")
            .ProducesProblem(404);
        reminders
            .MapGet("/results", Brought)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getReminderResults")
            .WithSummary("What letters of a period, and of one plan or all, brought: by month and level; by value")
            .ProducesProblem(400);
        reminders
            .MapPost(
                "/{number}/cancel",
                (string number, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
                    PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) =>
                            ReminderDesk.PreviewCancel(c, number, request.Reason ?? "", context.Who().Authority, rules),
                        tx => ReminderDesk.Cancel(tx, number, request.Reason ?? "")
                    )
            )
            .By(Role.Controller)
            .WithName("cancelReminder")
            .WithSummary("Cancels a reminder: its fee is reversed, its items fall back")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static ReminderResultsView Brought(string? from, string? to, string? plan, Desk desk)
    {
        var (fields, today) = (new Fields(), desk.Today());
        var last = fields.OptionalDate("to", to) ?? today;
        var first = fields.OptionalDate("from", from) ?? last.AddYears(-1).AddDays(1);
        if (first > last || first < last.AddYears(-LongestYears))
            fields.Bad("from", $"Give a day up to {LongestYears} years before the last one.");
        fields.ThrowIfAny();
        var code = string.IsNullOrWhiteSpace(plan) ? null : plan.Trim();
        return desk.Books.Read(c => new ReminderResultsView(
            first,
            last,
            today,
            code,
            [.. ReminderResult.Of(LetterOutcomes.OfPeriod(c, first, last, code, today)).Select(ReminderResultView.Of)]
        ));
    }

    private static ReminderProposalView ProposeReminder(string code, string? date, Desk desk) =>
        desk.Read(
            code,
            (connection, account) =>
            {
                var day = Fields.Day("date", date, desk.Today());
                var p = desk.Reminders.Propose(connection, account, day, desk.Rules(connection));
                var level =
                    p.Level == 0
                        ? null
                        : PolicyStore
                            .Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)!
                            .Definition.Levels[p.Level - 1];
                return new ReminderProposalView(
                    p.Level,
                    p.Date,
                    p.PayBy,
                    p.Fee,
                    level?.FeeTreatment ?? Treatment.None,
                    level?.LateCharge ?? Treatment.None,
                    level?.Delivery ?? account.Profile.Delivery,
                    p.LateCharge,
                    p.Total,
                    p.LeftOut,
                    p.NextOn,
                    level?.SetsState is { } state ? state : null,
                    [
                        .. p.Items.Select(i => new ReminderLineView(
                            i.Item.Id,
                            i.Item.Document,
                            i.Item.Due,
                            i.DaysOverdue,
                            i.Level,
                            i.Open,
                            i.Moves,
                            i.Item.RemindedOn
                        )),
                    ],
                    p.Workings(),
                    p.EarlierFees,
                    [.. p.ItemsLeftOut.Select(i => new Working(i.Item.Document, i.Reason, $"{i.Amount}"))]
                );
            }
        );

    private static EffectView IssueReminder(
        string code,
        bool? preview,
        IssueReminderRequest request,
        Desk desk,
        HttpContext context
    )
    {
        var made = preview is true
            ? null
            : desk.Books.Read(c =>
            {
                var rules = desk.Rules(c);
                return desk.Reminders.Make(c, code, DateOf(request, rules.Today), rules);
            });
        return PostingRunner.RunBoth(
            desk,
            context,
            preview,
            (c, rules) => desk.Reminders.Preview(c, code, DateOf(request, rules.Today), rules),
            tx =>
            {
                var effect = desk.Reminders.Issue(tx, code, DateOf(request, tx.BusinessDate()), made);
                desk.Messages.SendReminder(tx, effect.Detail.Number);
                return effect;
            },
            morePosted: (effect, view) => view with { Number = effect.Detail.Number }
        );
    }

    private static DateOnly DateOf(IssueReminderRequest request, DateOnly today)
    {
        var fields = new Fields();
        var day = fields.OptionalDate("date", request.Date) ?? today;
        fields.ThrowIfAny();
        return day;
    }
}
