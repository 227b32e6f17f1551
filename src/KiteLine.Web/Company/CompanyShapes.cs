using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record PaymentMethodShape(string? Code, string? Name, int? ClearingDays, string? Account, string? Iban)
{
    internal static PaymentMethodShape Of(PaymentMethod m) => new(m.Code, m.Name, m.ClearingDays, m.Account, m.Iban);

    internal PaymentMethod Read() =>
        new(
            Code?.Trim() ?? "",
            Name?.Trim() ?? "",
            ClearingDays ?? 0,
            Account?.Trim() ?? "",
            Core.Iban.Plain(Iban ?? "")
        );
}

internal sealed record ControlGroupShape(string? Code, string? Name, string? Account)
{
    internal static ControlGroupShape Of(ControlGroup g) => new(g.Code, g.Name, g.Account);

    internal ControlGroup Read(string at, Fields fields) =>
        new(
            fields.Text($"{at}.code", Code, "the control group's code", 20),
            fields.Text($"{at}.name", Name, "the control group's name", 60),
            fields.Text($"{at}.account", Account, "the receivables account of the control group", 20)
        );
}

internal sealed record CustomerFieldShape(string? Key, string? Name, string? Kind, IReadOnlyList<string>? Choices)
{
    internal static CustomerFieldShape Of(CustomerField f) => new(f.Key, f.Name, Fields.Name(f.Kind), f.Choices ?? []);

    internal CustomerField Read(string at, Fields fields)
    {
        var kind = fields.Choice($"{at}.kind", Kind, (CustomerFieldKind?)CustomerFieldKind.Text);
        return new(
            Key?.Trim() ?? "",
            Name?.Trim() ?? "",
            kind,
            kind == CustomerFieldKind.Choice
                ? [.. (Choices ?? []).Select(c => c.Trim()).Where(c => c.Length > 0).Distinct()]
                : null
        );
    }
}

/// <summary>How a series is numbered, and the number it gives next.</summary>
internal sealed record NumberingShape(string? Prefix, int? Digits, long? Next);

/// <summary>What a credit check does about each finding.</summary>
internal sealed record ResponsesShape(
    string? OverLimit,
    string? GroupOverLimit,
    string? Overdue,
    string? OnStop,
    string? ReviewLapsed,
    string? TermsNotConfirmed,
    string? PromiseBroken,
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
                    1_000_000_000_000,
                    "an amount such as 100.00"
                ) ?? before.OverdueAmount,
        };
}
