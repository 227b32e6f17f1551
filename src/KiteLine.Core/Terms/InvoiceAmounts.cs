namespace KiteLine.Core;

/// <summary>The amounts of an invoice on which terms work.</summary>
/// <param name="Net">Before tax.</param>
/// <param name="Tax">The tax on it.</param>
/// <param name="NotDiscountable">Freight, deposits and the like, stated gross or net as the discount base is.</param>
public sealed record InvoiceAmounts(Money Net, Money Tax, Money NotDiscountable)
{
    /// <summary>Net plus tax: what is owed without discount.</summary>
    public Money Gross => Net + Tax;

    /// <summary>What credit notes took off the invoice inside its discount window, gross. None unless set.</summary>
    public Money Credited { get; init; } = Money.Zero(Net.Currency);

    /// <summary>
    /// The amount a discount percentage is taken of: gross or net, without what is not discountable and, where credit
    /// notes follow the terms, without what was credited. Never below zero.
    /// </summary>
    /// <param name="rounding">How the net part of a credit is rounded where the base is net.</param>
    public Money DiscountableBase(TermsConditions conditions, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(conditions);
        var net = conditions.Base == DiscountBase.Net;
        var whole = (net ? Net : Gross) - NotDiscountable;
        if (conditions.CreditNotesFollow && !Credited.IsZero)
            whole -= net ? Money.Round(Credited.Amount * Net.Amount / Gross.Amount, Net.Currency, rounding) : Credited;
        return whole.Minor < 0 ? Money.Zero(Net.Currency) : whole;
    }
}
