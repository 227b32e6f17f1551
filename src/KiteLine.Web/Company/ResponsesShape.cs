using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a credit check does about each finding.</summary>
internal sealed record ResponsesShape(
    [property: TextOf(typeof(CheckResponse))] string? OverLimit,
    [property: TextOf(typeof(CheckResponse))] string? GroupOverLimit,
    [property: TextOf(typeof(CheckResponse))] string? Overdue,
    [property: TextOf(typeof(CheckResponse))] string? OnStop,
    [property: TextOf(typeof(CheckResponse))] string? ReviewLapsed,
    [property: TextOf(typeof(CheckResponse))] string? TermsNotConfirmed,
    [property: TextOf(typeof(CheckResponse))] string? PromiseBroken,
    int? OverdueDays,
    string? OverdueAmount
)
{
    internal static ResponsesShape Of(CheckResponses r) =>
        new(
            Fields.Name(r.OverLimit),
            Fields.Name(r.GroupOverLimit),
            Fields.Name(r.Overdue),
            Fields.Name(r.OnStop),
            Fields.Name(r.ReviewLapsed),
            Fields.Name(r.TermsNotConfirmed),
            Fields.Name(r.PromiseBroken),
            r.OverdueDays,
            Exactly.Figure(r.OverdueAmount, 2, 4)
        );

    /// <summary>What is left out stays as it was.</summary>
    internal CheckResponses Read(string at, Fields fields, CheckResponses before) =>
        new()
        {
            OverLimit = fields.Choice($"{at}.overLimit", OverLimit, (CheckResponse?)before.OverLimit),
            GroupOverLimit = fields.Choice(
                $"{at}.groupOverLimit",
                GroupOverLimit,
                (CheckResponse?)before.GroupOverLimit
            ),
            Overdue = fields.Choice($"{at}.overdue", Overdue, (CheckResponse?)before.Overdue),
            OnStop = fields.Choice($"{at}.onStop", OnStop, (CheckResponse?)before.OnStop),
            ReviewLapsed = fields.Choice($"{at}.reviewLapsed", ReviewLapsed, (CheckResponse?)before.ReviewLapsed),
            TermsNotConfirmed = fields.Choice(
                $"{at}.termsNotConfirmed",
                TermsNotConfirmed,
                (CheckResponse?)before.TermsNotConfirmed
            ),
            PromiseBroken = fields.Choice($"{at}.promiseBroken", PromiseBroken, (CheckResponse?)before.PromiseBroken),
            OverdueDays = OverdueDays ?? before.OverdueDays,
            OverdueAmount =
                fields.OptionalNumber(
                    $"{at}.overdueAmount",
                    OverdueAmount,
                    0,
                    Bounds.Amount,
                    "an amount such as 100.00"
                ) ?? before.OverdueAmount,
        };
}
