using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The answer to "may this go?".</summary>
/// <param name="Answer"><c>pass</c>, or the strictest response to what was found: <c>tell</c>, <c>ask</c> or
/// <c>refuse</c>.</param>
/// <param name="Shown">Somebody should look at it even when it passes.</param>
internal sealed record CheckView(
    string Account,
    string Name,
    string Currency,
    string Asked,
    string Answer,
    bool Shown,
    string Exposure,
    string ExposureAfter,
    string EffectiveLimit,
    string HeadroomAfter,
    IReadOnlyList<CheckFindingView> Findings
)
{
    internal static CheckView Of(CreditCheck check)
    {
        var p = check.Subject.Position;
        var limit = Money.FromMinor(p.EffectiveLimit, p.Account.Currency);
        return new(
            p.Account.Code,
            p.Account.Name,
            p.Account.Currency.Code,
            $"{check.Subject.Asked}",
            check.Answer is { } a ? Fields.Name(a) : "pass",
            check.Shown,
            $"{Money.FromMinor(p.Exposure, p.Account.Currency)}",
            $"{check.ExposureAfter}",
            $"{limit}",
            $"{limit - check.ExposureAfter}",
            [
                .. check.Findings.Select(f => new CheckFindingView(
                    Fields.Name(f.Kind),
                    Fields.Name(f.Response),
                    f.Text,
                    f.Beyond?.ToString(),
                    f.Workings
                )),
            ]
        );
    }
}
