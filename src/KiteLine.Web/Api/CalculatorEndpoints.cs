using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace KiteLine.Web;

/// <summary>Stateless calculators over the core. They store nothing.</summary>
internal static class CalculatorEndpoints
{
    internal static void MapCalculators(this RouteGroupBuilder api)
    {
        var calc = api.MapGroup("/calc").WithTags("Calculators");
        calc.MapPost("/day-count", (DayCountRequest r) => DayCountCalculator.Calculate(r))
            .ByViewerOrInDemoAnyone()
            .WithName("calculateDayCount")
            .WithSummary("Days and year fraction between two dates")
            .ProducesProblem(400);
        calc.MapPost(
                "/terms",
                (TermsRequest r, IOptions<JsonOptions> json) =>
                    TermsCalculator.Calculate(r, json.Value.SerializerOptions)
            )
            .ByViewerOrInDemoAnyone()
            .WithName("calculateTerms")
            .WithSummary("Reads terms written in shorthand, or writes terms given as an object in shorthand")
            .ProducesProblem(400);
        calc.MapPost(
                "/schedule",
                (ScheduleRequest r, Desk desk, IOptions<JsonOptions> json) =>
                {
                    var (settings, calendar) = desk.Books.Read(c =>
                    {
                        var current = CompanyStore.Settings(c);
                        return (
                            current,
                            PolicyStore.Find<HolidayCalendar>(c, PolicyKind.Calendar, current.Calendar)?.Definition
                                ?? new()
                        );
                    });
                    return ScheduleCalculator.Calculate(r, json.Value.SerializerOptions, settings, calendar);
                }
            )
            .ByViewerOrInDemoAnyone()
            .WithName("calculateSchedule")
            .WithSummary("Due dates and discounts of an invoice")
            .ProducesProblem(400);
        calc.MapPost(
                "/late-charge",
                (LateChargeRequest r, Desk desk) =>
                    LateChargeCalculator.Calculate(r, desk.Snapshots.Current.Settings.Rounding)
            )
            .ByViewerOrInDemoAnyone()
            .WithName("calculateLateCharge")
            .WithSummary("Late charge of one item by the daily method")
            .ProducesProblem(400);
        calc.MapPost(
                "/receipt",
                (ReceiptRequest r, Desk desk) =>
                    ReceiptCalculator.Calculate(r, desk.Snapshots.Current.Settings.Rounding)
            )
            .ByViewerOrInDemoAnyone()
            .WithName("calculateReceipt")
            .WithSummary("How one receipt settles one item")
            .ProducesProblem(400);
        calc.MapPost(
                "/allocation",
                (AllocationRequest r, Desk desk) =>
                    AllocationCalculator.Calculate(r, desk.Snapshots.Current.Settings.Rounding)
            )
            .ByViewerOrInDemoAnyone()
            .WithName("calculateAllocation")
            .WithSummary("Which open items one receipt settles, and how sure that is")
            .ProducesProblem(400);
        calc.MapPost("/measures", (MeasuresRequest r) => MeasuresCalculator.Calculate(r))
            .ByViewerOrInDemoAnyone()
            .WithName("calculateMeasures")
            .WithSummary("Days sales outstanding and other measures of receivables over a period")
            .ProducesProblem(400);
    }
}
