using System.Text.Json;
using KiteLine.Core;
using KiteLine.Formats;

namespace KiteLine.Web;

/// <summary>Due dates, amounts and discounts of a sample invoice.</summary>
internal static class ScheduleCalculator
{
    internal static ScheduleAnswer Calculate(
        ScheduleRequest request,
        JsonSerializerOptions options,
        CompanySettings settings,
        HolidayCalendar calendar
    )
    {
        var fields = new Fields();
        var date = fields.Date("invoiceDate", request.InvoiceDate);
        var currency = fields.Currency("currency", request.Currency);
        var net = fields.Money("net", request.Net, currency);
        var tax = fields.OptionalMoney("tax", request.Tax, currency);
        var notDiscountable = fields.OptionalMoney("notDiscountable", request.NotDiscountable, currency);
        var credited = fields.OptionalMoney("credited", request.Credited, currency);
        var @base = fields.Choice("discountBase", request.DiscountBase, (DiscountBase?)Core.DiscountBase.Gross);
        var conditions = request.Conditions?.Read("conditions.", fields) ?? new() { Base = @base };
        var terms = TermsShape.Read("terms", request.Terms, options, fields);
        if (net.Minor == 0 && tax.Minor == 0)
            fields.Bad("net", "Give the amount before tax, above zero.");
        if (notDiscountable > (conditions.Base == Core.DiscountBase.Gross ? net + tax : net))
            fields.Bad(
                "notDiscountable",
                $"What is not discountable is not more than the {Fields.Name(conditions.Base)} amount."
            );
        if (credited > net + tax)
            fields.Bad("credited", "What is credited is not more than the invoice.");
        if (TermsTexts.Kind.Problem(request.Printed ?? "") is { } problem)
            fields.Bad("printed", problem);
        fields.ThrowIfAny();

        var amounts = new InvoiceAmounts(net, tax, notDiscountable) { Credited = credited };
        var applied = terms!.Under(conditions);
        var schedule = PaymentSchedule.For(
            applied,
            amounts,
            date,
            calendar.ToBusinessCalendar(),
            settings.Rounding,
            workings: true
        );
        var last = schedule.Instalments.Max(i => i.Due);
        return new(
            [.. schedule.Instalments.Select(i => new InstalmentLine(i.Due, i.Amount))],
            [.. schedule.Discounts.Select(DiscountLine.Of)],
            [.. TermsWarnings.Of(terms, settings.TermsLimits)],
            TermsTexts.Fill(request.Printed ?? "", applied, schedule, amounts, date),
            [
                .. calendar
                    .Holidays.Where(h => h.Date >= date && h.Date <= last)
                    .Select(h => new HolidayShape($"{h.Date:yyyy-MM-dd}", h.Name)),
            ],
            schedule.Workings
        );
    }
}
