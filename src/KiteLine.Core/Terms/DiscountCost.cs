namespace KiteLine.Core;

/// <summary>What it costs the customer, per year, not to take an early-payment discount.</summary>
/// <remarks>Source: textbooks of corporate finance on trade credit; 2/10 n/30 costs 37.24 % simple and 44.59 %
/// effective.</remarks>
public static class DiscountCost
{
    /// <summary>Simple annual cost as a fraction: <c>d / (1 − d) × 365 / days</c>.</summary>
    /// <param name="discount">The discount as a fraction of the amount, above 0 and below 1.</param>
    /// <param name="days">Days from the deadline to the due date, above 0.</param>
    public static decimal Simple(decimal discount, int days) => discount / (1 - discount) * 365 / days;

    /// <summary>
    /// Effective annual cost as a fraction: <c>(1 + d / (1 − d))^(365 / days) − 1</c>, to about 12 significant digits.
    /// </summary>
    /// <returns>The cost, or null where it is too large to state (a steep discount one day before the due
    /// date).</returns>
    public static decimal? Effective(decimal discount, int days)
    {
        var cost = Math.Pow((double)(1 + (discount / (1 - discount))), 365d / days) - 1;
        return cost < 1e12 ? Math.Round((decimal)cost, 12) : null;
    }
}
