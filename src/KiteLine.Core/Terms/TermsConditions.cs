namespace KiteLine.Core;

/// <summary>What terms say beside their dates and discounts: nothing of it stands in the shorthand.</summary>
public sealed record TermsConditions
{
    /// <summary>Whether discount percentages are of the gross or the net amount. Gross unless set.</summary>
    public DiscountBase Base { get; init; }

    /// <summary>
    /// Days by which a deadline is silently extended for post and bank transfer. Shown to the controller, never
    /// printed.
    /// </summary>
    public int GraceDays { get; init; }

    /// <summary>What becomes of due dates and deadlines that are not business days. Kept unless set.</summary>
    public BusinessDayRule BusinessDays { get; init; }

    /// <summary>
    /// Whether a part payment inside the window earns its share of the discount. Otherwise only settling in full does.
    /// </summary>
    public bool PartPayments { get; init; }

    /// <summary>
    /// Whether a credit note against the invoice inside its window reduces what the discount is taken of.
    /// </summary>
    public bool CreditNotesFollow { get; init; } = true;

    /// <summary>What is wrong, as field and sentence; empty when they can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (GraceDays is < 0 or > 60)
            yield return ("graceDays", "Grace days are 0 to 60.");
    }
}
