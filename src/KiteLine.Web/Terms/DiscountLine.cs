using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DiscountLine(
    DateOnly Deadline,
    string? Percent,
    Money Amount,
    Money Payable,
    string? SimpleAnnualCost,
    string? EffectiveAnnualCost
)
{
    internal static DiscountLine Of(ScheduledDiscount d) =>
        new(
            d.Deadline,
            d.Percent is { } p ? Exactly.Plain(p) : null,
            d.Amount,
            d.Payable,
            d.SimpleAnnualCost is { } simple ? Exactly.Figure(simple, 8, 8) : null,
            d.EffectiveAnnualCost is { } effective ? Exactly.Figure(effective, 8, 8) : null
        );
}
