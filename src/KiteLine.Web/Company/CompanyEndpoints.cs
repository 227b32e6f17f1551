using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>The company's settings and its business date.</summary>
internal static class CompanyEndpoints
{
    internal static void MapCompany(this RouteGroupBuilder api)
    {
        var company = api.MapGroup("/company").WithTags("Company");
        company
            .MapGet("/", (Desk desk) => desk.Books.Read(c => View(CompanyStore.Get(c), c, desk)))
            .By(Role.Viewer)
            .WithName("getCompany")
            .WithSummary("Settings and business date");
        company
            .MapPut("/", Change)
            .By(Role.Manager)
            .WithName("changeCompany")
            .WithSummary("Changes the settings; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(412);
        company
            .MapGet("/changes", (Desk desk) => desk.Books.Read(c => AuditEntry.Of(Audit.Of(c, "company"))))
            .By(Role.Viewer)
            .WithName("getCompanyChanges")
            .WithSummary("What was changed in the settings, by whom and why");
        company
            .MapGet(
                "/letterhead",
                (Desk desk) =>
                    desk.Books.Read(LetterheadStore.Picture) is { Length: > 0 } picture
                        ? Results.File(picture, "image/png")
                        : throw new NotThereException("picture", "letterhead")
            )
            .By(Role.Viewer)
            .Heavy()
            .WithName("getLetterhead")
            .WithSummary("The picture at the head of what is printed")
            .Produces<byte[]>(200, "image/png")
            .ProducesProblem(404);
        company
            .MapPost("/letterhead", SetLetterhead)
            .By(Role.Manager)
            .TakesFile(LetterheadPicture.MaxBytes)
            .Heavy()
            .WithName("setLetterhead")
            .WithSummary("Prints a picture, PNG or JPEG, at the head of letters, invoices and receipts from now on")
            .Accepts<byte[]>("*/*")
            .ProducesProblem(400);
        company
            .MapPost("/letterhead/remove", (Desk desk, HttpContext context) => Letterhead(desk, context, []))
            .By(Role.Manager)
            .WithName("removeLetterhead")
            .WithSummary("Prints no picture from now on")
            .ProducesProblem(400);
        company
            .MapPost("/business-date", Roll)
            .By(Role.Manager)
            .WithName("rollBusinessDate")
            .WithSummary("Moves a pinned business date")
            .ProducesProblem(400);
        company
            .MapGet(
                "/message-fields",
                () => MessageTexts.Kind.Fields.Select(f => new TextField(f.Key, f.Value)).ToList()
            )
            .By(Role.Viewer)
            .WithName("listMessageFields")
            .WithSummary("The fields that texts of e-mails may use");
        company
            .MapGet("/setting-up", (Desk desk) => desk.Books.Read(SettingUp.Steps))
            .By(Role.Viewer)
            .WithName("getSettingUp")
            .WithSummary("What a new company still has to decide before its first invoice");
        company
            .MapPost(
                "/setting-up/end",
                (Desk desk, HttpContext context) =>
                    desk.Write(
                        context,
                        tx =>
                        {
                            CompanyStore.EndSettingUp(tx);
                            return SettingUp.Steps(tx.Connection);
                        }
                    )
            )
            .By(Role.Manager)
            .WithName("endSettingUp")
            .WithSummary("Ends setting up: credits from before the books then take authority to write off")
            .ProducesProblem(400);
        api.MapGet(
                "/choices",
                () =>
                    new ChoicesView(
                        [.. Currency.All.Select(c => c.Code)],
                        [.. DayCount.All.Select(d => new DayCountName(d.Name, d.Title))],
                        [
                            .. TimeZoneInfo
                                .GetSystemTimeZones()
                                .Select(z => z.Id)
                                .Where(id => id == "UTC" || id.Contains('/', StringComparison.Ordinal))
                                .Order(StringComparer.Ordinal),
                        ],
                        [.. TaxIdentifier.Schemes.Select(s => new IdentifierName(s.Code, s.Title, s.Form))]
                    )
            )
            .WithTags("Company")
            .By(Role.Viewer)
            .WithName("listChoices")
            .WithSummary("What fields can be chosen from");
    }

    private static async Task<CompanyView> SetLetterhead(Desk desk, HttpContext context) =>
        Letterhead(
            desk,
            context,
            LetterheadPicture.Of(await Body.ReadAsync(context.Request, LetterheadPicture.MaxBytes, "file"))
        );

    private static CompanyView Letterhead(Desk desk, HttpContext context, byte[] png) =>
        desk.Write(
            context,
            tx =>
            {
                LetterheadStore.Set(tx, png);
                return View(CompanyStore.Get(tx.Connection), tx.Connection, desk);
            }
        );

    private static CompanyView View(StoredCompany stored, SqliteConnection connection, Desk desk)
    {
        var s = stored.Settings;
        var next = CompanyStore.UpcomingNumbers(connection);
        return new(
            s.Name,
            s.Address,
            s.LetterFoot,
            s.BaseCurrency,
            CompanyStore.HasPostings(connection),
            s.TimeZone,
            desk.Today(s),
            s.PinnedBusinessDate is not null,
            s.ClosedThrough,
            s.Rounding,
            s.Exposure.CreditsReduce,
            s.Exposure.ChargesCount,
            s.Exposure.DisputedCount,
            s.Exposure.UnclearedCount,
            s.OldestRate,
            Exactly.Plain(s.NetWorthShare),
            Exactly.Plain(s.CostOfCapital),
            s.ReviewMonths,
            s.RequestDays,
            s.AgeingUpTo,
            s.AgeByInvoiceDate,
            Exactly.Figure(s.Allowance.Amount, 2, 4),
            Exactly.Plain(s.Allowance.Percent),
            (s.Allowance.InOtherCurrencies ?? new Dictionary<string, decimal>()).ToDictionary(
                a => a.Key,
                a => Exactly.Figure(a.Value, 2, 4)
            ),
            s.AdjustTaxOnDiscount,
            s.Calendar,
            s.TermsLimits.AnnualCost is { } dear ? Exactly.Plain(dear) : null,
            s.TermsLimits.PaymentDays,
            s.TermsLimits.PaymentDaysSource,
            s.Defaults.Terms,
            Exactly.Figure(s.Defaults.Limit, 2, 4),
            s.Defaults.LateChargePolicy,
            s.Defaults.ReminderPlan,
            s.Defaults.Currency ?? s.BaseCurrency,
            s.Defaults.TaxCode,
            s.Defaults.Delivery,
            ResponsesShape.Of(s.Defaults.Responses ?? new()),
            [.. s.PaymentMethods.Select(PaymentMethodShape.Of)],
            [.. s.ControlGroups.Select(ControlGroupShape.Of)],
            [.. s.CustomerFields.Select(CustomerFieldShape.Of)],
            Enum.GetValues<DocumentSeries>()
                .ToDictionary(
                    Fields.Name,
                    series => new NumberingShape(
                        s.NumberingOf(series).Prefix,
                        s.NumberingOf(series).Digits,
                        next[series]
                    )
                ),
            Enum.GetValues<PostingPurpose>().ToDictionary(p => Fields.Name(p), p => s.AccountFor(p, "")),
            stored.Version,
            desk.IsDemo,
            MailShape.Of(s.Mail),
            LetterheadStore.Picture(connection).Length > 0,
            [.. s.RunSchedules.Select(RunScheduleShape.Of)],
            [.. s.MessageTexts.Select(MessageTemplateShape.Of)]
        );
    }

    private static CompanyView Change(CompanyRequest request, Desk desk, HttpContext context)
    {
        var version = context.Version();
        return desk.Write(
            context,
            tx =>
            {
                var after = CompanyReader.Read(request, CompanyStore.Settings(tx.Connection), tx);
                var stored = CompanyStore.Change(tx, after, version, request.Reason ?? "");
                foreach (var series in Enum.GetValues<DocumentSeries>())
                    if (request.Numbering?.GetValueOrDefault(Fields.Name(series))?.Next is { } next)
                        CompanyStore.GoOnFrom(tx, series, next, request.Reason ?? "");
                return View(stored, tx.Connection, desk);
            }
        );
    }

    private static CompanyView Roll(BusinessDateRequest request, Desk desk, IRateFeed feed, HttpContext context) =>
        desk.Write(
            context,
            tx =>
            {
                var fields = new Fields();
                var date = fields.Date("date", request.Date);
                var stored = CompanyStore.Get(tx.Connection);
                if (stored.Settings.PinnedBusinessDate is not { } pinned)
                    throw new RefusedException(
                        "date",
                        "The business date follows the calendar and is not set by hand."
                    );
                if (date < pinned)
                    fields.Bad("date", $"The business date goes forward from {Exactly.Day(pinned)}, never back.");
                fields.ThrowIfAny();
                var moved = CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = date,
                    },
                    stored.Version,
                    "business date"
                );
                // The demo's feed publishes on every business day, so a demo that is moved on finds its rates there.
                if (desk.IsDemo)
                    RateEndpoints.Fetch(tx, feed);
                return View(moved, tx.Connection, desk);
            }
        );
}
