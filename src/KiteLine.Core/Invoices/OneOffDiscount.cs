namespace KiteLine.Core;

/// <summary>A discount that replaces those of the terms on one document.</summary>
/// <param name="Days">Days after the document's date within which it is earned; 0 is that very day.</param>
public sealed record OneOffDiscount(DiscountValue Value, int Days)
{
    /// <summary>The terms with this discount alone; due dates and conditions stay.</summary>
    /// <exception cref="RefusedException">The discount makes no sense; names the field.</exception>
    public Terms On(Terms terms)
    {
        ArgumentNullException.ThrowIfNull(terms);
        try
        {
            return Terms
                .Create(terms.Instalments, [new(Value, DueRule.AfterInvoice(Days))], terms.Moment)
                .Under(terms.Conditions);
        }
        catch (TermsException e)
        {
            throw new RefusedException("discount", e.Message);
        }
    }
}
