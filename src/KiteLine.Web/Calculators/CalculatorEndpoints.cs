using System.Text.Json;
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
            .WithName("calculateDayCount").WithSummary("Days and year fraction between two dates").ProducesProblem(400);
        calc.MapPost("/terms", (TermsRequest r) => TermsCalculator.Calculate(r))
            .WithName("calculateTerms").WithSummary("Reads terms written in shorthand").ProducesProblem(400);
        calc.MapPost("/schedule", (ScheduleRequest r, IOptions<JsonOptions> json) => ScheduleCalculator.Calculate(r, json.Value.SerializerOptions))
            .WithName("calculateSchedule").WithSummary("Due dates and discounts of an invoice").ProducesProblem(400);
        calc.MapPost("/late-charge", (LateChargeRequest r) => LateChargeCalculator.Calculate(r))
            .WithName("calculateLateCharge").WithSummary("Late charge of one item by the daily method").ProducesProblem(400);
        calc.MapPost("/receipt", (ReceiptRequest r) => ReceiptCalculator.Calculate(r))
            .WithName("calculateReceipt").WithSummary("How one receipt settles one item").ProducesProblem(400);
    }
}
