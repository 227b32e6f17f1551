namespace KiteLine.Core;

/// <summary>The amounts of an invoice on which terms work.</summary>
/// <param name="Net">Before tax.</param>
/// <param name="Tax">The tax on it.</param>
/// <param name="NotDiscountable">Freight, deposits and the like, stated gross or net as the discount base is.</param>
public sealed record InvoiceAmounts(Money Net, Money Tax, Money NotDiscountable)
{
    /// <summary>Net plus tax: what is owed without discount.</summary>
    public Money Gross => Net + Tax;

    /// <summary>
    /// What is not discountable by the document's lines; null where they are not known, and tax then lies on it as on the
    /// whole.
    /// </summary>
    public NotDiscountableParts? NotDiscountableParts { get; init; }

    /// <summary>What credit notes took off the invoice inside its discount window, gross. None unless set.</summary>
    public Money Credited { get; init; } = Money.Zero(Net.Currency);

    /// <summary>The part of <see cref="Credited"/> before tax; null where it is in proportion of the invoice.</summary>
    public Money? CreditedNet { get; init; }

    /// <summary>
    /// The tax part of a discount, rounded once: at the rates of what the discount is taken of, the tax of the
    /// discountable lines over their gross amount.
    /// </summary>
    public Money TaxOf(Money discount, RoundingRule rounding)
    {
        var (tax, gross) = (Tax, Gross);
        if (NotDiscountableParts is { } not)
            (tax, gross) = (Tax - not.Tax, Gross - not.Net - not.Tax);
        // Multiplied before it is divided, so that a tie is one.
        return gross.Minor <= 0
            ? Money.Zero(discount.Currency)
            : Money.Round(discount.Amount * tax.Amount / gross.Amount, discount.Currency, rounding);
    }

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
            whole -= net
                ? CreditedNet ?? Money.Round(Credited.Amount * Net.Amount / Gross.Amount, Net.Currency, rounding)
                : Credited;
        return whole.Minor < 0 ? Money.Zero(Net.Currency) : whole;
    }
}
