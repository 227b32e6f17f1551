using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ScheduleRequest(
    string? InvoiceDate, string? Currency, string? Net, string? Tax, string? NotDiscountable, string? DiscountBase, JsonElement Terms);

internal sealed record InstalmentLine(string Due, string Amount);

internal sealed record DiscountLine(
    string Deadline, string? Percent, string Amount, string Payable, string? SimpleAnnualCost, string? EffectiveAnnualCost);

internal sealed record ScheduleAnswer(IReadOnlyList<InstalmentLine> Instalments, IReadOnlyList<DiscountLine> Discounts, string? Warning, IReadOnlyList<Working> Workings);

/// <summary>Due dates, amounts and discounts of a sample invoice.</summary>
internal static class ScheduleCalculator
{
    internal static ScheduleAnswer Calculate(ScheduleRequest request, JsonSerializerOptions options)
    {
        var fields = new Fields();
        var date = fields.Date("invoiceDate", request.InvoiceDate);
        var currency = fields.Currency("currency", request.Currency);
        var net = fields.Money("net", request.Net, currency);
        var tax = fields.OptionalMoney("tax", request.Tax, currency);
        var notDiscountable = fields.OptionalMoney("notDiscountable", request.NotDiscountable, currency);
        var @base = fields.Choice("discountBase", request.DiscountBase, (DiscountBase?)DiscountBase.Gross);
        var terms = TermsShape.Read("terms", request.Terms, options, fields);
        if (net.Minor == 0 && tax.Minor == 0) fields.Bad("net", "Give the amount before tax, above zero.");
        if (notDiscountable > (@base == DiscountBase.Gross ? net + tax : net))
            fields.Bad("notDiscountable", $"What is not discountable is not more than the {Fields.Name(@base)} amount.");
        fields.ThrowIfAny();

        var schedule = PaymentSchedule.For(terms!.With(@base, 0, BusinessDayRule.Keep), new(net, tax, notDiscountable), date, workings: true);
        return new(
            [.. schedule.Instalments.Select(i => new InstalmentLine($"{i.Due:yyyy-MM-dd}", $"{i.Amount}"))],
            [.. schedule.Discounts.Select(d => new DiscountLine($"{d.Deadline:yyyy-MM-dd}", d.Percent is { } p ? Exactly.Plain(p) : null, $"{d.Amount}", $"{d.Payable}",
                d.SimpleAnnualCost is { } simple ? Exactly.Figure(simple, 8, 8) : null,
                d.EffectiveAnnualCost is { } effective ? Exactly.Figure(effective, 8, 8) : null))],
            TermsCheck.Objection(terms), schedule.Workings);
    }
}
