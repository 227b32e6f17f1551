namespace KiteLine.Core;

/// <summary>The amounts of an invoice on which terms work.</summary>
/// <param name="Net">Before tax.</param>
/// <param name="Tax">The tax on it.</param>
/// <param name="NotDiscountable">Freight, deposits and the like, stated gross or net as the discount base is.</param>
public sealed record InvoiceAmounts(Money Net, Money Tax, Money NotDiscountable)
{
    /// <summary>Net plus tax: what is owed without discount.</summary>
    public Money Gross => Net + Tax;

    /// <summary>The amount a discount percentage is taken of.</summary>
    public Money DiscountableBase(DiscountBase @base) => (@base == DiscountBase.Gross ? Gross : Net) - NotDiscountable;
}
