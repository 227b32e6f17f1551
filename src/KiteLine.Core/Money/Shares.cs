namespace KiteLine.Core;

/// <summary>Divides an amount into parts that add up to it to the minor unit.</summary>
public static class Shares
{
    /// <summary>
    /// Divides <paramref name="total"/> in proportion to <paramref name="weights"/>. Each part is rounded and the last
    /// part that has a weight takes the remainder, so the sum is always the total.
    /// </summary>
    /// <exception cref="ArgumentException">No weight is above zero, or one is negative.</exception>
    public static Money[] InProportion(Money total, IReadOnlyList<decimal> weights, RoundingRule rule)
    {
        ArgumentNullException.ThrowIfNull(weights);
        var sum = weights.Sum();
        if (sum <= 0 || weights.Any(w => w < 0))
            throw new ArgumentException(
                "The weights must not be negative and one must be above zero.",
                nameof(weights)
            );

        var last = weights.Count - 1;
        while (weights[last] == 0)
            last--;
        var parts = new Money[weights.Count];
        var left = total;
        for (var i = 0; i < parts.Length; i++)
        {
            parts[i] =
                i == last ? left
                : i > last ? Money.Zero(total.Currency)
                : Money.Round(total.Amount * weights[i] / sum, total.Currency, rule);
            left -= parts[i];
        }

        return parts;
    }
}
