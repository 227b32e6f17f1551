using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>The answer to "may this go?".</summary>
/// <param name="Shown">Somebody should look at it even when it passes.</param>
internal sealed record CheckView(
    string Account,
    string Name,
    string Currency,
    Money Asked,
    CheckAnswer Answer,
    bool Shown,
    Money Exposure,
    Money ExposureAfter,
    Money EffectiveLimit,
    Money HeadroomAfter,
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
            check.Subject.Asked,
            Of(check.Answer),
            check.Shown,
            Money.FromMinor(p.Exposure, p.Account.Currency),
            check.ExposureAfter,
            limit,
            limit - check.ExposureAfter,
            [.. check.Findings.Select(f => new CheckFindingView(f.Kind, f.Response, f.Text, f.Beyond, f.Workings))]
        );
    }

    private static CheckAnswer Of(CheckResponse? strictest) =>
        strictest switch
        {
            null => CheckAnswer.Pass,
            CheckResponse.Tell => CheckAnswer.Tell,
            CheckResponse.Ask => CheckAnswer.Ask,
            CheckResponse.Refuse => CheckAnswer.Refuse,
            _ => throw new ArgumentOutOfRangeException(nameof(strictest), strictest, "No answer for this response."),
        };
}
