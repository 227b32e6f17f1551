namespace KiteLine.Core;

/// <summary>
/// The tax that a late charge bears: one rule for the proposal, to settle, the letter and the posting.
/// </summary>
public static class LateChargeTax
{
    /// <summary>
    /// The tax on a net charge as of a day, rounded once on the whole; nothing where no code or no rate holds.
    /// </summary>
    /// <param name="net">May be negative, for a correction.</param>
    public static Money Of(TaxCode? code, Money net, DateOnly day, RoundingRule rounding) =>
        code?.On(day) is null || net.IsZero
            ? Money.Zero(net.Currency)
            : code.Of(net, Money.Zero(net.Currency), day, rounding).Tax;

    /// <summary>
    /// What each line comes to with its part of the tax, in their order: the parts add up to the tax on the whole.
    /// </summary>
    public static IReadOnlyList<Money> Gross(
        TaxCode? code,
        IReadOnlyList<ItemCharge> lines,
        DateOnly day,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(lines);
        var gross = new Money[lines.Count];
        if (lines.Count == 0)
            return gross;
        var (net, taxed) = (Money.Zero(lines[0].Total.Currency), Money.Zero(lines[0].Total.Currency));
        for (var i = 0; i < gross.Length; i++)
        {
            net += lines[i].Total;
            var tax = Of(code, net, day, rounding);
            gross[i] = lines[i].Total + tax - taxed;
            taxed = tax;
        }

        return gross;
    }
}
