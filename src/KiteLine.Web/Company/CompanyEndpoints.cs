using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record CompanyView(
    string Name, IReadOnlyList<string> Address, string BaseCurrency, string BusinessDate, bool BusinessDatePinned, string? ClosedThrough, string Rounding,
    bool CreditsReduceExposure, bool ChargesCount, IReadOnlyList<int> AgeingUpTo, bool AgeByInvoiceDate, string AllowanceAmount, string AllowancePercent, bool AdjustTaxOnDiscount,
    string? Calendar, string? DearDiscount, int? LongestPaymentDays, string LongestPaymentDaysSource,
    string DefaultTerms, string DefaultLimit, string? DefaultLateChargePolicy, string? DefaultReminderPlan, IReadOnlyDictionary<string, string> PostingAccounts,
    long Version, bool IsDemo, IReadOnlyList<string> Currencies, IReadOnlyList<DayCountName> DayCounts);

internal sealed record DayCountName(string Name, string Title);

internal sealed record CompanyRequest(
    string? Name, IReadOnlyList<string>? Address, string? ClosedThrough, string? Rounding, bool? CreditsReduceExposure, bool? ChargesCount,
    IReadOnlyList<int>? AgeingUpTo, bool? AgeByInvoiceDate, string? AllowanceAmount, string? AllowancePercent, bool? AdjustTaxOnDiscount,
    string? Calendar, string? DearDiscount, int? LongestPaymentDays, string? LongestPaymentDaysSource,
    string? DefaultTerms, string? DefaultLimit, string? DefaultLateChargePolicy, string? DefaultReminderPlan, IReadOnlyDictionary<string, string>? PostingAccounts, string? Reason);

internal sealed record BusinessDateRequest(string? Date);

/// <summary>The company's settings and its business date.</summary>
internal static class CompanyEndpoints
{
    internal static void MapCompany(this RouteGroupBuilder api)
    {
        var company = api.MapGroup("/company").WithTags("Company");
        company.MapGet("/", (Desk desk) => desk.Books.Read(c => View(CompanyStore.Get(c), desk))).WithName("getCompany").WithSummary("Settings, business date and choices");
        company.MapPut("/", Change).WithName("changeCompany").WithSummary("Changes the settings; needs If-Match").ProducesProblem(400).ProducesProblem(412);
        company.MapPost("/business-date", Roll).WithName("rollBusinessDate").WithSummary("Moves a pinned business date").ProducesProblem(400);
        api.MapGet("/find", (string q, Desk desk) => q.Trim().Length == 0 ? [] : desk.Books.Read(c => FindStore.Find(c, q.Trim()))).WithTags("Company")
            .WithName("find").WithSummary("Accounts and documents that hold a text");
    }

    private static CompanyView View(StoredCompany stored, Desk desk)
    {
        var s = stored.Settings;
        return new(s.Name, s.Address, s.BaseCurrency, $"{desk.Today(s):yyyy-MM-dd}", s.PinnedBusinessDate is not null, s.ClosedThrough?.ToString("O"), Fields.Name(s.Rounding),
            s.Exposure.CreditsReduce, s.Exposure.ChargesCount, s.AgeingUpTo, s.AgeByInvoiceDate, Exactly.Figure(s.Allowance.Amount, 2, 4), Exactly.Plain(s.Allowance.Percent), s.AdjustTaxOnDiscount,
            s.Calendar, s.TermsLimits.AnnualCost is { } dear ? Exactly.Plain(dear) : null, s.TermsLimits.PaymentDays, s.TermsLimits.PaymentDaysSource,
            s.Defaults.Terms, Exactly.Figure(s.Defaults.Limit, 2, 4), s.Defaults.LateChargePolicy, s.Defaults.ReminderPlan,
            s.PostingAccounts.ToDictionary(p => Fields.Name(p.Key), p => p.Value), stored.Version, desk.IsDemo,
            [.. Currency.All.Select(c => c.Code)], [.. DayCount.All.Select(d => new DayCountName(d.Name, d.Title))]);
    }

    private static CompanyView Change(CompanyRequest request, Desk desk, HttpContext context)
    {
        var version = context.Version();
        return desk.Books.Write(context.Who(), tx =>
        {
            var before = CompanyStore.Settings(tx.Connection);
            var fields = new Fields();
            var accounts = new Dictionary<PostingPurpose, string>();
            foreach (var purpose in Enum.GetValues<PostingPurpose>())
                accounts[purpose] = fields.Text($"postingAccounts.{Fields.Name(purpose)}", request.PostingAccounts?.GetValueOrDefault(Fields.Name(purpose)) ?? before.PostingAccounts.GetValueOrDefault(purpose),
                    "an account number; every purpose needs one", 20);
            var upTo = request.AgeingUpTo ?? before.AgeingUpTo;
            try
            {
                _ = AgeingBuckets.Of(upTo);
            }
            catch (ArgumentException)
            {
                fields.Bad("ageingUpTo", "Give one to seven numbers of days in rising order, such as 30, 60, 90.");
            }

            var after = before with
            {
                Name = fields.Text("name", request.Name, "the company's name"),
                Address = [.. (request.Address ?? before.Address).Select(l => l.Trim()).Where(l => l.Length > 0)],
                ClosedThrough = fields.OptionalDate("closedThrough", request.ClosedThrough),
                Rounding = fields.Choice("rounding", request.Rounding, (RoundingRule?)before.Rounding),
                Exposure = new(request.CreditsReduceExposure ?? before.Exposure.CreditsReduce, request.ChargesCount ?? before.Exposure.ChargesCount),
                AgeingUpTo = upTo,
                AgeByInvoiceDate = request.AgeByInvoiceDate ?? before.AgeByInvoiceDate,
                Allowance = new(
                    fields.OptionalNumber("allowanceAmount", request.AllowanceAmount, 0, 1_000_000, "an amount such as 5.00") ?? before.Allowance.Amount,
                    fields.OptionalNumber("allowancePercent", request.AllowancePercent, 0, 100, "a percentage") ?? before.Allowance.Percent),
                AdjustTaxOnDiscount = request.AdjustTaxOnDiscount ?? before.AdjustTaxOnDiscount,
                PostingAccounts = accounts,
                Calendar = Null(request.Calendar),
                TermsLimits = new(
                    fields.OptionalNumber("dearDiscount", request.DearDiscount, 0, 100_000, "a percentage a year, such as 50"),
                    request.LongestPaymentDays, string.IsNullOrWhiteSpace(request.LongestPaymentDaysSource) ? before.TermsLimits.PaymentDaysSource : request.LongestPaymentDaysSource.Trim()),
            };
            if (request.LongestPaymentDays is < 0 or > 3650) fields.Bad("longestPaymentDays", "Give 0 to 3650 days, or nothing.");
            if (after.Calendar is { } calendar && PolicyStore.Find<HolidayCalendar>(tx.Connection, PolicyKind.Calendar, calendar) is null)
                fields.Bad("calendar", $"There is no calendar ‘{calendar}’.");
            var terms = fields.Text("defaultTerms", request.DefaultTerms, "terms, such as n/30");
            var limit = fields.OptionalNumber("defaultLimit", request.DefaultLimit, 0, 1_000_000_000, "a limit such as 1500.00") ?? before.Defaults.Limit;
            if (request.DefaultLateChargePolicy is { Length: > 0 } policy && PolicyStore.LateCharge(tx.Connection, policy) is null)
                fields.Bad("defaultLateChargePolicy", $"There is no late-charge policy ‘{policy}’.");
            if (request.DefaultReminderPlan is { Length: > 0 } plan && PolicyStore.Find<ReminderPlan>(tx.Connection, PolicyKind.ReminderPlan, plan) is null)
                fields.Bad("defaultReminderPlan", $"There is no reminder plan ‘{plan}’.");
            fields.ThrowIfAny();
            after = after with
            {
                Defaults = new(PolicyStore.TermsByText(tx, terms, "defaultTerms").Code, limit, Null(request.DefaultLateChargePolicy), Null(request.DefaultReminderPlan)),
            };
            return View(CompanyStore.Change(tx, after, version, request.Reason ?? ""), desk);
        });
    }

    private static string? Null(string? text) => string.IsNullOrWhiteSpace(text) ? null : text;

    private static CompanyView Roll(BusinessDateRequest request, Desk desk, HttpContext context) => desk.Books.Write(context.Who(), tx =>
    {
        var fields = new Fields();
        var date = fields.Date("date", request.Date);
        var stored = CompanyStore.Get(tx.Connection);
        if (stored.Settings.PinnedBusinessDate is not { } pinned) throw new RefusedException("date", "The business date follows the calendar and is not set by hand.");
        if (date < pinned) fields.Bad("date", $"The business date goes forward from {Exactly.Day(pinned)}, never back.");
        fields.ThrowIfAny();
        return View(CompanyStore.Change(tx, stored.Settings with { PinnedBusinessDate = date }, stored.Version, "business date"), desk);
    });
}
