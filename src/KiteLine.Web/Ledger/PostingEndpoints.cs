using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Everything that posts. Each can be asked with <c>preview=true</c> to show its effect without storing it.
/// </summary>
internal static class PostingEndpoints
{
    internal static void MapPostings(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Postings");
        accounts
            .MapPost("/receipts", TakePayment)
            .By(Role.Controller)
            .WithName("takePayment")
            .WithSummary("Takes a payment for chosen items")
            .ProducesProblem(400);
        accounts
            .MapPost(
                "/opening-items",
                (string code, bool? preview, OpeningItemRequest r, Desk desk, HttpContext context) =>
                {
                    string[] Values(SqliteConnection c) =>
                        [
                            AccountStore.Get(c, code).Code,
                            r.Document?.Trim() ?? "",
                            r.Type ?? "",
                            r.Date ?? "",
                            r.Due ?? "",
                            r.Net ?? "",
                            r.Tax ?? "",
                            r.Amount ?? "",
                            r.Open ?? "",
                            r.Terms?.Trim() ?? "",
                            r.Reference?.Trim() ?? "",
                        ];
                    return PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) => OpeningDesk.Preview(c, code, Values(c), rules),
                        tx => OpeningDesk.Post(tx, code, Values(tx.Connection))
                    );
                }
            )
            .By(Role.Controller)
            .WithName("postOpeningItem")
            .WithSummary("Brings in one document that was open before these books began")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost("/invoices", PostInvoice)
            .By(Role.Controller)
            .WithName("postInvoice")
            .WithSummary("Posts an invoice: of an order, or checked like one")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost("/late-charges", RaiseCharge)
            .By(Role.Controller)
            .WithName("raiseLateCharge")
            .WithSummary("Raises the late charge through a day")
            .ProducesProblem(400);
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
                            var fields = new Fields();
                            var day = fields.OptionalDate("date", date) ?? desk.Today();
                            fields.ThrowIfAny();
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

        var postings = api.MapGroup("/postings").WithTags("Postings");
        postings
            .MapGet(
                "/",
                (string? kind, int? page, int? pageSize, Desk desk) =>
                {
                    var fields = new Fields();
                    var chosen = fields.Choice("kind", kind, (PostingKind?)PostingKind.Receipt);
                    if (page is < 1)
                        fields.Bad("page", "Pages count from 1.");
                    if (pageSize is < 1 or > 1000)
                        fields.Bad("pageSize", "A page has 1 to 1000 rows.");
                    fields.ThrowIfAny();
                    var size = pageSize ?? 50;
                    var (total, rows) = desk.Books.Read(connection =>
                        LedgerView.OfKind(connection, chosen, ((page ?? 1) - 1) * size, size)
                    );
                    return new LedgerPage(total, [.. rows.Select(r => LedgerRowView.Of(r, null))]);
                }
            )
            .By(Role.Viewer)
            .WithName("listPostings")
            .WithSummary("The latest postings of one kind")
            .ProducesProblem(400);
        postings
            .MapGet(
                "/{entry:long}/journal",
                (long entry, long? openingDocument, Desk desk) =>
                    desk.Books.Read(connection =>
                        LedgerView
                            .Journal(connection, entry, openingDocument)
                            .Select(l => JournalLineView.Of(l, CompanyStore.Settings(connection)))
                            .ToList()
                    )
            )
            .By(Role.Viewer)
            .WithName("getJournal")
            .WithSummary("The journal of a posting, or of one opening document in it")
            .ProducesProblem(404);
        postings
            .MapPost("/{entry:long}/reverse", Reverse)
            .By(Role.Controller)
            .WithName("reversePosting")
            .WithSummary("Undoes a posting by a reversal")
            .ProducesProblem(400)
            .ProducesProblem(404);
        api.MapPost(
                "/opening-documents/{id:long}/reverse",
                (long id, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
                    PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) => ReversalDesk.PreviewOpening(c, id, request.Reason ?? "", rules),
                        tx => ReversalDesk.ReverseOpening(tx, id, request.Reason ?? "")
                    )
            )
            .WithTags("Postings")
            .By(Role.Controller)
            .WithName("reverseOpeningDocument")
            .WithSummary("Takes back one document that came in with the opening items")
            .ProducesProblem(400)
            .ProducesProblem(404);

        var reminders = api.MapGroup("/reminders").WithTags("Postings");
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
            .MapPost(
                "/{number}/cancel",
                (string number, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
                    PostingRunner.Run(
                        desk,
                        context,
                        preview,
                        (c, rules) => ReminderDesk.PreviewCancel(c, number, request.Reason ?? "", rules),
                        tx => ReminderDesk.Cancel(tx, number, request.Reason ?? "")
                    )
            )
            .By(Role.Controller)
            .WithName("cancelReminder")
            .WithSummary("Cancels a reminder: its fee is reversed, its items fall back")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static EffectView TakePayment(
        string code,
        bool? preview,
        TakePaymentRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.Receipts.Preview(c, code, Read(c, code, request), context.Who().Authority, rules),
            tx => desk.Receipts.Take(tx, code, Read(tx.Connection, code, request)),
            (effect, view) =>
                view with
                {
                    OnAccount = $"{effect.Detail.OnAccount}",
                    Total = $"{effect.Detail.Cash}",
                    Payment =
                    [
                        .. effect.Detail.Lines.Select(l => new PaymentLineView(
                            l.Item.Id,
                            l.Item.Document,
                            $"{l.Open}",
                            $"{l.Settlement.Cash}",
                            $"{l.Settlement.Discount}",
                            $"{l.Settlement.WriteOff}",
                            $"{l.Settlement.StaysOpen}",
                            l.Offered is null ? null : $"{l.Offered.Amount}",
                            [.. l.Settlement.Findings.Select(Finding)]
                        )),
                    ],
                }
        );

    private static PaymentRequest Read(SqliteConnection connection, string code, TakePaymentRequest request)
    {
        var fields = new Fields();
        var valueDate = fields.Date("valueDate", request.ValueDate);
        var cash = fields.Money("cash", request.Cash, AccountStore.Get(connection, code).Currency);
        if (cash.IsZero)
            fields.Bad("cash", "Give the amount received, above zero.");
        var choices = new Dictionary<long, PaymentChoice>();
        foreach (var (item, i) in (request.Items ?? []).Select((x, i) => (x, i)))
        {
            var choice = new PaymentChoice(
                fields.Choice($"items[{i}].discount", item.Discount, (DiscountChoice?)DiscountChoice.Proposed),
                item.WriteOff switch
                {
                    true => WriteOffChoice.Whole,
                    false => WriteOffChoice.Refuse,
                    null => WriteOffChoice.Proposed,
                },
                fields.OptionalDate($"items[{i}].step", item.Step)
            );
            if (!choices.TryAdd(item.Id, choice))
                fields.Bad($"items[{i}].id", "Each item is chosen once.");
        }

        fields.ThrowIfAny();
        return new(
            valueDate,
            cash.Amount,
            request.Reference ?? "",
            choices,
            request.Reason ?? "",
            request.Method?.Trim() ?? ""
        );
    }

    private static EffectView PostInvoice(
        string code,
        bool? preview,
        PostInvoiceRequest request,
        Desk desk,
        HttpContext context
    )
    {
        InvoiceRequest Read(Account account, DateOnly today)
        {
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? today;
            var net = fields.Money("net", request.Net, account.Currency);
            var tax = fields.OptionalMoney("tax", request.Tax, account.Currency);
            var notDiscountable = fields.OptionalMoney("notDiscountable", request.NotDiscountable, account.Currency);
            fields.ThrowIfAny();
            return new(
                string.IsNullOrWhiteSpace(request.Number) ? null : request.Number.Trim(),
                date,
                new(net, tax, notDiscountable),
                string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                request.Reference ?? "",
                request.OrderId,
                request.OrderSeq,
                request.Reason ?? ""
            );
        }

        Effect<InvoiceOutcome> Shown(SqliteConnection connection, BooksRules rules)
        {
            var account = AccountStore.Get(connection, code);
            return InvoiceDesk.Preview(connection, account, Read(account, rules.Today), rules);
        }

        Effect<InvoiceOutcome> Posted(Tx tx)
        {
            var account = AccountStore.Get(tx.Connection, code);
            return InvoiceDesk.Post(tx, account, Read(account, tx.BusinessDate()));
        }

        return PostingRunner.Run(
            desk,
            context,
            preview,
            Shown,
            Posted,
            (effect, view) => view with { Check = effect.Detail.Check is { } check ? CheckView.Of(check) : null }
        );
    }

    private static FindingView Finding(ReceiptFinding finding) =>
        new(
            finding.Code,
            finding switch
            {
                ReceiptFinding.DiscountUnearned(var days, var amount, _) =>
                    $"The shortfall is the discount of {amount}, taken {days} {(days == 1 ? "day" : "days")} late; "
                        + $"it stays open unless you allow it",
                ReceiptFinding.Short(var amount) => $"Short by {amount}; it stays open",
                ReceiptFinding.Over(var amount) => $"{amount} more than is needed",
                ReceiptFinding.DiscountPartlyTaken(var rest) =>
                    $"Only what was deducted is taken; {rest} more was open, which the customer may still ask for",
                ReceiptFinding.DiscountNotTaken(var amount) =>
                    $"A discount of {amount} was open and not taken; you may grant it",
                _ => finding.Code,
            }
        );

    private static EffectView RaiseCharge(
        string code,
        bool? preview,
        RaiseChargeRequest request,
        Desk desk,
        HttpContext context
    )
    {
        var fields = new Fields();
        var through = fields.OptionalDate("through", request.Through);
        fields.ThrowIfAny();
        return PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => desk.LateCharges.Preview(c, code, through ?? rules.Today, request.LeaveOut, rules),
            tx => desk.LateCharges.Raise(tx, code, through ?? tx.BusinessDate(), request.LeaveOut),
            (effect, view) =>
                view with
                {
                    Total = $"{effect.Detail.Gross}",
                    Tax = $"{effect.Detail.Tax}",
                    Charges =
                    [
                        .. effect.Detail.Lines.Select(c => new ChargeLineView(
                            c.Item.Id,
                            c.Item.Document,
                            $"{c.Item.Due:yyyy-MM-dd}",
                            $"{c.Total}",
                            c.Segments.GroupBy(s => s.From).Sum(g => g.First().Days),
                            [.. c.Segments.Select(s => SegmentLine.Of(s, c.Total.Currency))],
                            $"{c.Correction}",
                            c.CutOff
                        )),
                    ],
                }
        );
    }

    private static ReminderProposalView ProposeReminder(string code, string? date, Desk desk) =>
        desk.Read(
            code,
            (connection, account) =>
            {
                var fields = new Fields();
                var day = fields.OptionalDate("date", date) ?? desk.Today();
                fields.ThrowIfAny();
                var p = desk.Reminders.Propose(connection, account, day, desk.Rules(connection));
                var level =
                    p.Level == 0
                        ? null
                        : PolicyStore
                            .Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)!
                            .Definition.Levels[p.Level - 1];
                return new ReminderProposalView(
                    p.Level,
                    $"{p.Date:yyyy-MM-dd}",
                    p.PayBy?.ToString("O"),
                    $"{p.Fee}",
                    Fields.Name(level?.FeeTreatment ?? Treatment.None),
                    Fields.Name(level?.LateCharge ?? Treatment.None),
                    Fields.Name(level?.Delivery ?? account.Profile.Delivery),
                    $"{p.LateCharge}",
                    $"{p.Total}",
                    p.LeftOut,
                    p.NextOn?.ToString("O"),
                    level?.SetsState is { } state ? Fields.Name(state) : null,
                    [
                        .. p.Items.Select(i => new ReminderLineView(
                            i.Item.Id,
                            i.Item.Document,
                            $"{i.Item.Due:yyyy-MM-dd}",
                            i.DaysOverdue,
                            i.Level,
                            $"{i.Open}"
                        )),
                    ],
                    p.Workings(),
                    $"{p.EarlierFees}",
                    p.ItemsLeftOut
                );
            }
        );

    private static EffectView IssueReminder(
        string code,
        bool? preview,
        IssueReminderRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.RunBoth(
            desk,
            context,
            preview,
            (c, rules) => desk.Reminders.Preview(c, code, DateOf(request, rules.Today), rules),
            tx => desk.Reminders.Issue(tx, code, DateOf(request, tx.BusinessDate())),
            morePosted: (effect, view) => view with { Number = effect.Detail.Number }
        );

    private static DateOnly DateOf(IssueReminderRequest request, DateOnly today)
    {
        var fields = new Fields();
        var day = fields.OptionalDate("date", request.Date) ?? today;
        fields.ThrowIfAny();
        return day;
    }

    private static EffectView Reverse(
        long entry,
        bool? preview,
        ReverseRequest request,
        Desk desk,
        HttpContext context
    ) =>
        PostingRunner.Run(
            desk,
            context,
            preview,
            (c, rules) => ReversalDesk.Preview(c, entry, request.Reason ?? "", rules),
            tx => ReversalDesk.Reverse(tx, entry, request.Reason ?? "")
        );
}
