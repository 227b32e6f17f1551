namespace KiteLine.Web;

internal sealed record DiscountLine(
    string Deadline,
    string? Percent,
    string Amount,
    string Payable,
    string? SimpleAnnualCost,
    string? EffectiveAnnualCost
);
