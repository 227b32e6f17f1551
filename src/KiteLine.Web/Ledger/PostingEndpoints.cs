using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="WriteOff">What would stay open is written off, whatever the allowance; takes authority and a reason.</param>
internal sealed record PaymentItemShape(long Id, string? Discount, bool? WriteOff = null);

internal sealed record TakePaymentRequest(string? ValueDate, string? Cash, string? Reference, IReadOnlyList<PaymentItemShape>? Items, string? Reason, string? Method = null);

/// <summary>A document that was open before these books began, as in a row of open-items.csv.</summary>
internal sealed record OpeningItemRequest(
    string? Document, string? Type, string? Date, string? Due, string? Net, string? Tax, string? Amount, string? Open, string? Terms, string? Reference);

/// <param name="OrderId">The order it is made of; an invoice without one is checked like an order.</param>
/// <param name="OrderSeq">The last step of the order that was seen.</param>
internal sealed record PostInvoiceRequest(
    string? Number, string? Date, string? Net, string? Tax, string? NotDiscountable, string? Terms, string? Reference, long? OrderId, int? OrderSeq, string? Reason);

internal sealed record RaiseChargeRequest(string? Through, IReadOnlyList<long>? LeaveOut);

internal sealed record IssueReminderRequest(string? Date);

internal sealed record ReverseRequest(string? Reason);

internal sealed record LedgerPage(long Total, IReadOnlyList<LedgerRowView> Items);

/// <summary>Everything that posts. Each can be asked with <c>preview=true</c> to show its effect without storing it.</summary>
internal static class PostingEndpoints
{
    internal static void MapPostings(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Postings");
        accounts.MapPost("/receipts", TakePayment).By(Role.Controller).WithName("takePayment").WithSummary("Takes a payment for chosen items").ProducesProblem(400);
        accounts.MapPost("/opening-items", (string code, bool? preview, OpeningItemRequest r, Desk desk, HttpContext context) =>
                PostingRunner.Run(desk, context, code, preview ?? false, r, (tx, today, _) => OpeningDesk.Post(tx, AccountStore.Get(tx.Connection, code).Code,
                    [AccountStore.Get(tx.Connection, code).Code, r.Document?.Trim() ?? "", r.Type ?? "", r.Date ?? "", r.Due ?? "", r.Net ?? "", r.Tax ?? "", r.Amount ?? "", r.Open ?? "", r.Terms?.Trim() ?? "", r.Reference?.Trim() ?? ""], today)))
            .By(Role.Controller).WithName("postOpeningItem").WithSummary("Brings in one document that was open before these books began").ProducesProblem(400).ProducesProblem(404);
        accounts.MapPost("/invoices", PostInvoice).By(Role.Controller).WithName("postInvoice").WithSummary("Posts an invoice: of an order, or checked like one").ProducesProblem(400).ProducesProblem(404);
        accounts.MapPost("/late-charges", RaiseCharge).By(Role.Controller).WithName("raiseLateCharge").WithSummary("Raises the late charge through a day").ProducesProblem(400);
        accounts.MapGet("/reminder", ProposeReminder).By(Role.Viewer).WithName("proposeReminder").WithSummary("The next reminder, or why there is none");
        accounts.MapGet("/reminder.pdf", (string code, string? date, Desk desk) => desk.Read(code, (connection, account) =>
        {
            var fields = new Fields();
            var day = fields.OptionalDate("date", date) ?? desk.Today();
            fields.ThrowIfAny();
            var proposal = desk.Reminders.Propose(connection, account, day);
            if (proposal.LeftOut is { } why) throw new RefusedException("account", why);
            return Results.File(desk.Reminders.Preview(connection, account, proposal), "application/pdf");
        })).By(Role.Viewer).WithName("previewReminderLetter").WithSummary("The letter of the next reminder as it would print").Produces<byte[]>(200, "application/pdf").ProducesProblem(400);
        accounts.MapPost("/reminders", IssueReminder).By(Role.Controller).WithName("issueReminder").WithSummary("Issues the next reminder").ProducesProblem(400);

        var postings = api.MapGroup("/postings").WithTags("Postings");
        postings.MapGet("/", (string? kind, int? page, int? pageSize, Desk desk) =>
        {
            var fields = new Fields();
            var chosen = fields.Choice("kind", kind, (PostingKind?)PostingKind.Receipt);
            if (page is < 1) fields.Bad("page", "Pages count from 1.");
            if (pageSize is < 1 or > 1000) fields.Bad("pageSize", "A page has 1 to 1000 rows.");
            fields.ThrowIfAny();
            var size = pageSize ?? 50;
            var (total, rows) = desk.Books.Read(connection => LedgerView.OfKind(connection, chosen, ((page ?? 1) - 1) * size, size));
            return new LedgerPage(total, [.. rows.Select(r => LedgerRowView.Of(r, null))]);
        }).By(Role.Viewer).WithName("listPostings").WithSummary("The latest postings of one kind").ProducesProblem(400);
        postings.MapGet("/{entry:long}/journal", (long entry, long? openingDocument, Desk desk) => desk.Books.Read(connection =>
            LedgerView.Journal(connection, entry, openingDocument).Select(l => JournalLineView.Of(l, CompanyStore.Settings(connection))).ToList()))
            .By(Role.Viewer).WithName("getJournal").WithSummary("The journal of a posting, or of one opening document in it").ProducesProblem(404);
        postings.MapPost("/{entry:long}/reverse", Reverse).By(Role.Controller).WithName("reversePosting").WithSummary("Undoes a posting by a reversal").ProducesProblem(400).ProducesProblem(404);
        api.MapPost("/opening-documents/{id:long}/reverse", (long id, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
            PostingRunner.Run(desk, context, desk.Books.Read(connection => LedgerView.AccountOfDocument(connection, id)), preview ?? false, request,
                (tx, today, key) => ReversalDesk.ReverseOpening(tx, id, today, request.Reason ?? "", key)))
            .WithTags("Postings").By(Role.Controller).WithName("reverseOpeningDocument").WithSummary("Takes back one document that came in with the opening items").ProducesProblem(400).ProducesProblem(404);

        var reminders = api.MapGroup("/reminders").WithTags("Postings");
        reminders.MapGet("/{number}/letter.pdf", (string number, Desk desk) => Results.File(desk.Books.Read(c => ReminderDesk.LetterOf(c, number)), "application/pdf"))
            .By(Role.Viewer).WithName("getReminderLetter").WithSummary("The letter that was issued").Produces<byte[]>(200, "application/pdf").ProducesProblem(404);
        reminders.MapPost("/{number}/cancel", (string number, bool? preview, ReverseRequest request, Desk desk, HttpContext context) =>
            PostingRunner.Run(desk, context, "", preview ?? false, request, (tx, today, _) => ReminderDesk.Cancel(tx, number, today, request.Reason ?? "")))
            .By(Role.Controller).WithName("cancelReminder").WithSummary("Cancels a reminder: its fee is reversed, its items fall back").ProducesProblem(400).ProducesProblem(404);
    }

    private static EffectView TakePayment(string code, bool? preview, TakePaymentRequest request, Desk desk, HttpContext context) =>
        PostingRunner.Run(desk, context, code, preview ?? false, request, (tx, today, key) =>
        {
            var account = AccountStore.Get(tx.Connection, code);
            var fields = new Fields();
            var valueDate = fields.Date("valueDate", request.ValueDate);
            var cash = fields.Money("cash", request.Cash, account.Currency);
            if (cash.IsZero) fields.Bad("cash", "Give the amount received, above zero.");
            var choices = new Dictionary<long, DiscountChoice>();
            foreach (var (item, i) in (request.Items ?? []).Select((x, i) => (x, i)))
                if (!choices.TryAdd(item.Id, fields.Choice($"items[{i}].discount", item.Discount, (DiscountChoice?)DiscountChoice.Proposed)))
                    fields.Bad($"items[{i}].id", "Each item is chosen once.");
            fields.ThrowIfAny();
            return desk.Receipts.Take(tx, new(code, valueDate, cash.Amount, request.Reference ?? "", choices, request.Reason ?? "", request.Method?.Trim() ?? "",
                (request.Items ?? []).Where(i => i.WriteOff is true).Select(i => i.Id).ToHashSet()), today, key);
        }, (effect, view) => view with
        {
            OnAccount = $"{effect.Detail.OnAccount}",
            Total = $"{effect.Detail.Cash}",
            Payment = [.. effect.Detail.Lines.Select(l => new PaymentLineView(l.Item.Id, l.Item.Document, $"{l.Open}", $"{l.Settlement.Cash}", $"{l.Settlement.Discount}",
                $"{l.Settlement.WriteOff}", $"{l.Settlement.StaysOpen}", l.Offered is null ? null : $"{l.Offered.Amount}", [.. l.Settlement.Findings.Select(Finding)]))],
        });

    private static EffectView PostInvoice(string code, bool? preview, PostInvoiceRequest request, Desk desk, HttpContext context) =>
        PostingRunner.Run(desk, context, code, preview ?? false, request, (tx, today, key) =>
        {
            var account = AccountStore.Get(tx.Connection, code);
            var fields = new Fields();
            var date = fields.OptionalDate("date", request.Date) ?? today;
            var net = fields.Money("net", request.Net, account.Currency);
            var tax = fields.OptionalMoney("tax", request.Tax, account.Currency);
            var notDiscountable = fields.OptionalMoney("notDiscountable", request.NotDiscountable, account.Currency);
            fields.ThrowIfAny();
            return InvoiceDesk.Post(tx, account, new(string.IsNullOrWhiteSpace(request.Number) ? null : request.Number.Trim(), date, new(net, tax, notDiscountable), string.IsNullOrWhiteSpace(request.Terms) ? null : request.Terms,
                request.Reference ?? "", request.OrderId, request.OrderSeq, request.Reason ?? ""), key);
        }, (effect, view) => view with { Check = effect.Detail.Check is { } check ? CheckView.Of(check) : null });

    private static FindingView Finding(ReceiptFinding finding) => new(finding.Code, finding switch
    {
        ReceiptFinding.DiscountUnearned(var days, var amount) => $"The shortfall is the discount of {amount}, taken {days} {(days == 1 ? "day" : "days")} late; it stays open unless you allow it",
        ReceiptFinding.Short(var amount) => $"Short by {amount}; it stays open",
        ReceiptFinding.Over(var amount) => $"{amount} more than is needed",
        ReceiptFinding.DiscountNotTaken(var amount) => $"A discount of {amount} was open and not taken; you may grant it",
        _ => finding.Code,
    });

    private static EffectView RaiseCharge(string code, bool? preview, RaiseChargeRequest request, Desk desk, HttpContext context) =>
        PostingRunner.Run(desk, context, code, preview ?? false, request, (tx, today, key) =>
        {
            var fields = new Fields();
            var through = fields.OptionalDate("through", request.Through) ?? today;
            fields.ThrowIfAny();
            return desk.LateCharges.Raise(tx, code, through, today, request.LeaveOut, key);
        }, (effect, view) => view with
        {
            Total = $"{effect.Detail.Select(c => c.Total).Aggregate((a, b) => a + b)}",
            Charges = [.. effect.Detail.Select(c => new ChargeLineView(c.Item.Id, c.Item.Document, $"{c.Item.Due:yyyy-MM-dd}", $"{c.Total}", c.Segments.GroupBy(s => s.From).Sum(g => g.First().Days),
                [.. c.Segments.Select(s => SegmentLine.Of(s, c.Total.Currency))]))],
        });

    private static ReminderProposalView ProposeReminder(string code, string? date, Desk desk) => desk.Read(code, (connection, account) =>
    {
        var fields = new Fields();
        var day = fields.OptionalDate("date", date) ?? desk.Today();
        fields.ThrowIfAny();
        var p = desk.Reminders.Propose(connection, account, day);
        var level = p.Level == 0 ? null : PolicyStore.Find<ReminderPlan>(connection, PolicyKind.ReminderPlan, account.ReminderPlan)!.Definition.Levels[p.Level - 1];
        return new ReminderProposalView(p.Level, $"{p.Date:yyyy-MM-dd}", p.PayBy?.ToString("O"), $"{p.Fee}", Fields.Name(level?.FeeTreatment ?? Treatment.None), Fields.Name(level?.LateCharge ?? Treatment.None), Fields.Name(level?.Delivery ?? account.Profile.Delivery), $"{p.LateCharge}",
            $"{p.Total}", p.LeftOut, p.NextOn?.ToString("O"), level?.SetsState is { } state ? Fields.Name(state) : null,
            [.. p.Items.Select(i => new ReminderLineView(i.Item.Id, i.Item.Document, $"{i.Item.Due:yyyy-MM-dd}", i.DaysOverdue, i.Level, $"{i.Open}"))], p.Workings());
    });

    private static EffectView IssueReminder(string code, bool? preview, IssueReminderRequest request, Desk desk, HttpContext context) =>
        PostingRunner.Run(desk, context, code, preview ?? false, request, (tx, today, key) =>
        {
            var fields = new Fields();
            var day = fields.OptionalDate("date", request.Date) ?? today;
            if (day > today) fields.Bad("date", $"A reminder is dated on the business date, {Exactly.Day(today)}, or before.");
            fields.ThrowIfAny();
            return desk.Reminders.Issue(tx, code, day, key);
        }, (effect, view) => view with { Number = view.Preview ? null : effect.Detail.Number });

    private static EffectView Reverse(long entry, bool? preview, ReverseRequest request, Desk desk, HttpContext context)
    {
        var account = desk.Books.Read(connection => LedgerView.AccountOf(connection, entry));
        return PostingRunner.Run(desk, context, account, preview ?? false, request, (tx, today, key) => ReversalDesk.Reverse(tx, entry, today, request.Reason ?? "", key));
    }
}
