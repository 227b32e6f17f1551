namespace KiteLine.Core;

/// <summary>
/// Whether items match a receipt, each in full or less its discount in force: all in full first, then all discounted, then
/// mixed, the fewest discounts first.
/// </summary>
/// <param name="Discounted">Which of the items take their discount.</param>
/// <param name="Ways">How many ways match; counted to two.</param>
internal sealed record DiscountChoices(bool[] Discounted, int Ways)
{
    // Beyond this many discounts in force no mixture of them is looked for: 2^12 are tried at most.
    private const int MostMixed = 12;

    /// <summary>The way that matches, or null.</summary>
    /// <param name="open">What is open of each item, in minor units; credits below zero.</param>
    /// <param name="discounts">The discount in force of each, or 0.</param>
    /// <param name="bounded">True when mixtures were not all looked at.</param>
    internal static DiscountChoices? Of(long[] open, long[] discounts, long cash, out bool bounded)
    {
        bounded = false;
        var offering = Enumerable.Range(0, open.Length).Where(i => discounts[i] > 0).ToArray();
        var deducted = open.Sum() - cash;
        if (deducted == 0)
            return new(new bool[open.Length], 1);
        if (deducted < 0 || offering.Length == 0)
            return null;
        if (deducted == discounts.Sum())
            return new(Array.ConvertAll(discounts, d => d > 0), 1);
        bounded = offering.Length > MostMixed;
        if (bounded)
            return null;
        var mixed = Enumerable
            .Range(1, (1 << offering.Length) - 2)
            .Where(mask => offering.Where((_, k) => (mask & (1 << k)) != 0).Sum(i => discounts[i]) == deducted)
            .OrderBy(mask => System.Numerics.BitOperations.PopCount((uint)mask))
            .ThenBy(mask => mask)
            .Take(2)
            .ToArray();
        if (mixed.Length == 0)
            return null;
        var discounted = new bool[open.Length];
        for (var k = 0; k < offering.Length; k++)
            discounted[offering[k]] = (mixed[0] & (1 << k)) != 0;
        return new(discounted, mixed.Length);
    }
}
