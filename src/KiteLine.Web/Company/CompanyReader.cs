using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads the company's settings from a request: what is left out stays as it was.</summary>
internal static class CompanyReader
{
    /// <exception cref="RefusedException">Names every field that is wrong.</exception>
    internal static CompanySettings Read(CompanyRequest request, CompanySettings before, Tx tx)
    {
        var fields = new Fields();
        var upTo = request.AgeingUpTo ?? before.AgeingUpTo;
        try
        {
            _ = AgeingBuckets.Of(upTo);
        }
        catch (ArgumentException)
        {
            fields.Bad("ageingUpTo", "Give one to twenty numbers of days in rising order, such as 30, 60, 90.");
        }

        var after = before with
        {
            Name = fields.Text("name", request.Name, "the company's name"),
            Address = Lines("address", request.Address, fields) ?? before.Address,
            LetterFoot = Lines("letterFoot", request.LetterFoot, fields) ?? before.LetterFoot,
            BaseCurrency = BaseCurrency(request.BaseCurrency, before, fields, tx.Connection),
            TimeZone = TimeZone(request.TimeZone, before, fields),
            ClosedThrough = fields.OptionalDate("closedThrough", request.ClosedThrough),
            Rounding = fields.Choice("rounding", request.Rounding, (RoundingRule?)before.Rounding),
            AgeingUpTo = upTo,
            AgeByInvoiceDate = request.AgeByInvoiceDate ?? before.AgeByInvoiceDate,
            Allowance = new(
                fields.OptionalNumber(
                    "allowanceAmount",
                    request.AllowanceAmount,
                    0,
                    1_000_000,
                    "an amount such as 5.00"
                ) ?? before.Allowance.Amount,
                fields.OptionalNumber("allowancePercent", request.AllowancePercent, 0, 100, "a percentage")
                    ?? before.Allowance.Percent,
                Allowances(request.AllowanceInOtherCurrencies, fields) ?? before.Allowance.InOtherCurrencies
            ),
            AdjustTaxOnDiscount = request.AdjustTaxOnDiscount ?? before.AdjustTaxOnDiscount,
            PostingAccounts = PostingAccounts(request, before, fields),
            Calendar = string.IsNullOrWhiteSpace(request.Calendar) ? null : request.Calendar,
            TermsLimits = new(
                fields.OptionalNumber(
                    "dearDiscount",
                    request.DearDiscount,
                    0,
                    100_000,
                    "a percentage a year, such as 50"
                ),
                request.LongestPaymentDays,
                string.IsNullOrWhiteSpace(request.LongestPaymentDaysSource)
                    ? before.TermsLimits.PaymentDaysSource
                    : request.LongestPaymentDaysSource.Trim()
            ),
            PaymentMethods = [.. request.PaymentMethods?.Select(m => m.Read()) ?? before.PaymentMethods],
            ControlGroups =
            [
                .. request.ControlGroups?.Select((g, i) => g.Read($"controlGroups[{i}]", fields))
                    ?? before.ControlGroups,
            ],
            CustomerFields =
            [
                .. request.CustomerFields?.Select((f, i) => f.Read($"customerFields[{i}]", fields))
                    ?? before.CustomerFields,
            ],
            Numbering = Numbering(request, before, fields),
            Mail = request.Mail?.Read(before.Mail, fields) ?? before.Mail,
            MessageTexts = request.MessageTexts is { } texts
                ? MessageTemplateShape.Read(texts, fields)
                : before.MessageTexts,
            RunSchedules = request.RunSchedules is { } schedules
                ? [.. schedules.Select((s, i) => s.Read($"runSchedules[{i}].", fields))]
                : before.RunSchedules,
        };
        after = after.WithExposure(
            new(
                request.CreditsReduceExposure ?? before.Exposure.CreditsReduce,
                request.ChargesCount ?? before.Exposure.ChargesCount,
                request.DisputedCount ?? before.Exposure.DisputedCount,
                request.UnclearedCount ?? before.Exposure.UnclearedCount
            ),
            tx.BusinessDate()
        ) with
        {
            OldestRate = Days("oldestRate", request.OldestRate, before.OldestRate, 0, 366),
            NetWorthShare =
                fields.OptionalNumber("netWorthShare", request.NetWorthShare, 0, 100, "a percentage such as 10")
                ?? before.NetWorthShare,
            CostOfCapital =
                fields.OptionalNumber("costOfCapital", request.CostOfCapital, 0, 100, "a percentage such as 8")
                ?? before.CostOfCapital,
            ReviewMonths = Days("reviewMonths", request.ReviewMonths, before.ReviewMonths, 0, 120),
            RequestDays = Days("requestDays", request.RequestDays, before.RequestDays, 1, 366),
        };
        int Days(string field, int? given, int was, int least, int most)
        {
            if (given is { } n && (n < least || n > most))
                fields.Bad(field, $"Give a whole number from {least} to {most}.");
            return given ?? was;
        }

        if (request.LongestPaymentDays is < 0 or > 3650)
            fields.Bad("longestPaymentDays", "Give 0 to 3650 days, or nothing.");
        if (
            after.Calendar is { } calendar
            && PolicyStore.Find<HolidayCalendar>(tx.Connection, PolicyKind.Calendar, calendar) is null
        )
            fields.Bad("calendar", $"There is no calendar ‘{calendar}’.");
        foreach (
            var (field, message) in PaymentMethod
                .Problems(after.PaymentMethods)
                .Concat(CustomerField.Problems(after.CustomerFields))
        )
            fields.Bad(field, message);
        Uses(before, after, fields, tx.Connection);
        var defaults = Defaults(request, before, after, fields, tx.Connection);
        fields.ThrowIfAny();
        return after with
        {
            Defaults = defaults with { Terms = PolicyStore.TermsByText(tx, defaults.Terms, "defaultTerms").Code },
        };
    }

    private static Dictionary<string, decimal>? Allowances(IReadOnlyDictionary<string, string>? given, Fields fields)
    {
        if (given is null)
            return null;
        var read = new Dictionary<string, decimal>(StringComparer.Ordinal);
        foreach (var (code, amount) in given)
        {
            var at = $"allowanceInOtherCurrencies.{code}";
            if (!Currency.TryOf(code, out _))
                fields.Bad(at, "Give an ISO 4217 currency code, such as EUR.");
            else
                read[code] = fields.Number(at, amount, 0, Bounds.Amount, "an amount in that currency, such as 5.00");
        }

        return read;
    }

    private static NewCustomerSettings Defaults(
        CompanyRequest request,
        CompanySettings former,
        CompanySettings company,
        Fields fields,
        SqliteConnection connection
    )
    {
        var before = former.Defaults;
        void Known<T>(string field, string kind, string? code)
        {
            if (!string.IsNullOrWhiteSpace(code) && PolicyStore.Find<T>(connection, kind, code) is null)
                fields.Bad(field, $"There is no {kind.Replace('-', ' ')} ‘{code}’.");
        }

        Known<LateChargePolicy>("defaultLateChargePolicy", PolicyKind.LateCharge, request.DefaultLateChargePolicy);
        Known<ReminderPlan>("defaultReminderPlan", PolicyKind.ReminderPlan, request.DefaultReminderPlan);
        Known<TaxCode>("defaultTaxCode", PolicyKind.TaxCode, request.DefaultTaxCode);
        if (!string.IsNullOrWhiteSpace(request.DefaultCurrency))
            _ = fields.Currency("defaultCurrency", request.DefaultCurrency);
        var responses =
            request.DefaultResponses?.Read("defaultResponses", fields, before.Responses ?? new()) ?? before.Responses;
        foreach (var (field, message) in responses?.Problems() ?? [])
            fields.Bad($"defaultResponses.{field}", message);
        return new(
            fields.Text("defaultTerms", request.DefaultTerms, "terms, such as n/30"),
            fields.OptionalNumber("defaultLimit", request.DefaultLimit, 0, Bounds.Amount, "a limit such as 1500.00")
                ?? before.Limit,
            Null(request.DefaultLateChargePolicy),
            Null(request.DefaultReminderPlan),
            DefaultCurrency(request.DefaultCurrency, former, company),
            Null(request.DefaultTaxCode),
            fields.Choice("defaultDelivery", request.DefaultDelivery, (Delivery?)before.Delivery),
            responses
        );
    }

    // Customers start in the base currency, and follow it when it is changed, unless another was chosen for them.
    private static string? DefaultCurrency(string? given, CompanySettings former, CompanySettings company) =>
        Null(given) is not { } currency
        || currency == company.BaseCurrency
        || (former.Defaults.Currency is null && currency == former.BaseCurrency)
            ? null
            : currency;

    private static Dictionary<PostingPurpose, string> PostingAccounts(
        CompanyRequest request,
        CompanySettings before,
        Fields fields
    ) =>
        Enum.GetValues<PostingPurpose>()
            .ToDictionary(
                purpose => purpose,
                purpose =>
                    fields.Text(
                        $"postingAccounts.{Fields.Name(purpose)}",
                        request.PostingAccounts?.GetValueOrDefault(Fields.Name(purpose))
                            ?? before.AccountFor(purpose, ""),
                        "an account number; every purpose needs one",
                        20
                    )
            );

    private static Dictionary<DocumentSeries, DocumentNumbering> Numbering(
        CompanyRequest request,
        CompanySettings before,
        Fields fields
    )
    {
        var numbering = Enum.GetValues<DocumentSeries>().ToDictionary(s => s, before.NumberingOf);
        foreach (var series in numbering.Keys.ToList())
        {
            if (request.Numbering?.GetValueOrDefault(Fields.Name(series)) is not { } given)
                continue;
            var at = $"numbering.{Fields.Name(series)}";
            var (prefix, digits) = (
                given.Prefix?.Trim() ?? numbering[series].Prefix,
                given.Digits ?? numbering[series].Digits
            );
            if (prefix.Length > 12)
                fields.Bad($"{at}.prefix", "A prefix has up to 12 characters.");
            if (digits is < 1 or > 12)
                fields.Bad($"{at}.digits", "A number is written with 1 to 12 digits.");
            numbering[series] = new(prefix, digits);
        }

        // Two series with one prefix would give the same number twice on an account.
        foreach (var same in numbering.GroupBy(n => n.Value.Prefix).Where(g => g.Count() > 1))
        foreach (var (series, _) in same.Skip(1))
            fields.Bad(
                $"numbering.{Fields.Name(series)}.prefix",
                $"The prefix ‘{same.Key}’ is used by another series; give each its own."
            );
        return numbering;
    }

    private static string BaseCurrency(
        string? given,
        CompanySettings before,
        Fields fields,
        SqliteConnection connection
    )
    {
        if (string.IsNullOrWhiteSpace(given) || given == before.BaseCurrency)
            return before.BaseCurrency;
        var currency = fields.Currency("baseCurrency", given);
        if (CompanyStore.HasPostings(connection))
            fields.Bad("baseCurrency", "The base currency is fixed once something was posted.");
        return currency.Code;
    }

    private static string TimeZone(string? given, CompanySettings before, Fields fields)
    {
        if (string.IsNullOrWhiteSpace(given))
            return before.TimeZone;
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(given, out _))
            fields.Bad("timeZone", "Give a time zone such as Europe/London.");
        return given;
    }

    // What customers name cannot be taken away under them.
    private static void Uses(CompanySettings before, CompanySettings after, Fields fields, SqliteConnection connection)
    {
        foreach (var method in before.PaymentMethods.Where(m => after.PaymentMethods.All(a => a.Code != m.Code)))
            if (AccountStore.CountWith(connection, "$.paymentMethod", method.Code) is > 0 and var n)
                fields.Bad(
                    "paymentMethods",
                    $"The payment method {method.Code} is used by {n} customers; give them another first."
                );
        foreach (var group in before.ControlGroups.Where(g => after.ControlGroups.All(a => a.Code != g.Code)))
            if (AccountStore.CountWith(connection, "$.controlGroup", group.Code) is > 0 and var n)
                fields.Bad(
                    "controlGroups",
                    $"The control group {group.Code} is used by {n} customers; give them another first."
                );
        foreach (var field in before.CustomerFields.Where(f => after.CustomerFields.All(a => a.Key != f.Key)))
            if (AccountStore.CountWith(connection, $"$.fields.{field.Key}", null) is > 0 and var n)
                fields.Bad("customerFields", $"The field {field.Name} has a value on {n} customers; clear it first.");
    }

    // What is printed on every letter must leave room for the letter.
    private static string[]? Lines(string field, IReadOnlyList<string>? given, Fields fields)
    {
        if (given is null)
            return null;
        string[] lines = [.. given.Select(l => l.Trim()).Where(l => l.Length > 0)];
        if (lines.Length > 8 || lines.Any(l => l.Length > 200))
            fields.Bad(field, "Give up to 8 lines of up to 200 characters each.");
        return lines;
    }

    private static string? Null(string? text) => string.IsNullOrWhiteSpace(text) ? null : text;
}
