using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record DiscountLine(
    DateOnly Deadline,
    string? Percent,
    Money Amount,
    Money Payable,
    string? SimpleAnnualCost,
    string? EffectiveAnnualCost
);
