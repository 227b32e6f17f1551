using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Terms as JSON: a due rule.</summary>
internal sealed record DueShape(string? Anchor, int? Day, int? CutOff, int? Months, int? Days)
{
    internal static DueShape Of(DueRule rule) =>
        new(
            rule.Anchor switch
            {
                DueAnchor.OfInvoice => "invoiceDate",
                DueAnchor.OfMonthEnd => "monthEnd",
                _ => "dayOfNextMonth",
            },
            (rule.Anchor as DueAnchor.OfNextMonth)?.Day,
            (rule.Anchor as DueAnchor.OfNextMonth)?.CutOff,
            rule.Months,
            rule.Days
        );

    internal DueRule? Read(string field, Fields fields)
    {
        var anchor = Anchor switch
        {
            "invoiceDate" => DueAnchor.InvoiceDate,
            "monthEnd" => DueAnchor.MonthEnd,
            "dayOfNextMonth" when Day is >= 1 and <= 31 && CutOff is null or (>= 1 and <= 31) =>
                DueAnchor.DayOfNextMonth(Day!.Value, CutOff),
            _ => null,
        };
        if (anchor is null)
        {
            fields.Bad(
                Anchor == "dayOfNextMonth" ? $"{field}.day" : $"{field}.anchor",
                Anchor == "dayOfNextMonth"
                    ? "Give a day of the month from 1 to 31."
                    : "Choose one of invoiceDate, monthEnd, dayOfNextMonth."
            );
            return null;
        }

        return new(anchor, Months ?? 0, Days ?? 0);
    }
}

/// <summary>Terms as JSON: an instalment. Exactly one of percent, amount and remainder is given.</summary>
internal sealed record InstalmentShape(string? Percent, string? Amount, bool? Remainder, DueShape? Due);

/// <summary>Terms as JSON: a discount step. Exactly one of percent and amount is given.</summary>
internal sealed record DiscountShape(string? Percent, string? Amount, DueShape? Deadline);

/// <summary>Terms as JSON: what the shorthand does not say.</summary>
internal sealed record TermsConditionsShape(
    string? Base,
    int? GraceDays,
    string? BusinessDays,
    bool? PartPayments,
    bool? CreditNotesFollow
)
{
    internal static TermsConditionsShape Of(TermsConditions c) =>
        new(Fields.Name(c.Base), c.GraceDays, Fields.Name(c.BusinessDays), c.PartPayments, c.CreditNotesFollow);

    internal TermsConditions Read(string at, Fields fields)
    {
        var conditions = new TermsConditions
        {
            Base = fields.Choice($"{at}base", Base, (DiscountBase?)DiscountBase.Gross),
            GraceDays = GraceDays ?? 0,
            BusinessDays = fields.Choice($"{at}businessDays", BusinessDays, (BusinessDayRule?)BusinessDayRule.Keep),
            PartPayments = PartPayments ?? false,
            CreditNotesFollow = CreditNotesFollow ?? true,
        };
        foreach (var (field, message) in conditions.Problems())
            fields.Bad(at + field, message);
        return conditions;
    }
}

/// <summary>Terms as JSON, as they are answered and as they may be sent instead of shorthand.</summary>
internal sealed record TermsShape(
    IReadOnlyList<InstalmentShape>? Instalments,
    IReadOnlyList<DiscountShape>? Discounts,
    string? Text
)
{
    internal static TermsShape Of(Terms terms) =>
        new(
            [
                .. terms.Instalments.Select(i => new InstalmentShape(
                    i.Share is InstalmentShare.Percent(var p) ? Exactly.Plain(p) : null,
                    i.Share is InstalmentShare.Amount(var a) ? Exactly.Figure(a, 2, 4) : null,
                    i.Share is InstalmentShare.Remainder ? true : null,
                    DueShape.Of(i.Due)
                )),
            ],
            [
                .. terms.Discounts.Select(d => new DiscountShape(
                    d.Value is DiscountValue.Percent(var p) ? Exactly.Plain(p) : null,
                    d.Value is DiscountValue.Amount(var a) ? Exactly.Figure(a, 2, 4) : null,
                    DueShape.Of(d.Deadline)
                )),
            ],
            terms.ToString()
        );

    /// <summary>Terms given as shorthand text or in this shape.</summary>
    internal static Terms? Read(string field, JsonElement given, JsonSerializerOptions options, Fields fields)
    {
        try
        {
            return given.ValueKind switch
            {
                JsonValueKind.String => Shorthand.Read(given.GetString()!),
                JsonValueKind.Object => given.Deserialize<TermsShape>(options)!.Read(field, fields),
                _ => throw new TermsException("", "Give terms as shorthand such as ‘2/10 n/30’, or as an object."),
            };
        }
        catch (ShorthandException e)
        {
            fields.Bad(field, e.Message);
        }
        catch (TermsException e)
        {
            fields.Bad(given.ValueKind == JsonValueKind.Object ? $"{field}.{e.Field}" : field, e.Message);
        }
        catch (JsonException e)
        {
            fields.Bad(
                $"{field}.{(e.Path is { Length: > 2 } path ? path[2..] : "")}".TrimEnd('.'),
                "This is not the shape that is wanted here; see /docs."
            );
        }

        return null;
    }

    private Terms? Read(string field, Fields fields)
    {
        var sound = true;
        var instalments = new List<Instalment>();
        for (var i = 0; i < (Instalments?.Count ?? 0); i++)
        {
            var (line, at) = (Instalments![i], $"{field}.instalments[{i}]");
            var given =
                (line.Percent is null ? 0 : 1) + (line.Amount is null ? 0 : 1) + (line.Remainder is true ? 1 : 0);
            if (given != 1)
                fields.Bad(at, "Give exactly one of percent, amount and remainder.");
            InstalmentShare share =
                line.Percent is not null
                    ? new InstalmentShare.Percent(fields.Number($"{at}.percent", line.Percent, 0, 100, "a percentage"))
                : line.Amount is not null
                    ? new InstalmentShare.Amount(
                        fields.Number($"{at}.amount", line.Amount, 0, 1_000_000_000, "an amount")
                    )
                : new InstalmentShare.Remainder();
            var due = (line.Due ?? new(null, null, null, null, null)).Read($"{at}.due", fields);
            sound &= given == 1 && due is not null;
            if (due is not null)
                instalments.Add(new(share, due));
        }

        var discounts = new List<DiscountStep>();
        for (var i = 0; i < (Discounts?.Count ?? 0); i++)
        {
            var (step, at) = (Discounts![i], $"{field}.discounts[{i}]");
            var one = step.Percent is null != step.Amount is null;
            if (!one)
                fields.Bad(at, "Give exactly one of percent and amount.");
            DiscountValue value = step.Percent is not null
                ? new DiscountValue.Percent(fields.Number($"{at}.percent", step.Percent, 0, 100, "a percentage"))
                : new DiscountValue.Amount(
                    fields.Number($"{at}.amount", step.Amount ?? "0", 0, 1_000_000_000, "an amount")
                );
            var deadline = (step.Deadline ?? new(null, null, null, null, null)).Read($"{at}.deadline", fields);
            sound &= one && deadline is not null;
            if (deadline is not null)
                discounts.Add(new(value, deadline));
        }

        return sound ? Core.Terms.Create(instalments, discounts) : null;
    }
}
