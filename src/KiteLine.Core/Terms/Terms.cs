namespace KiteLine.Core;

/// <summary>When an invoice falls due and which early-payment discounts it offers.</summary>
/// <remarks>Build through <see cref="Create"/>: terms that cannot be applied to any invoice cannot exist.</remarks>
public sealed class Terms
{
    // Written once: the same terms stand beside very many items.
    private string? _text;

    private Terms(IReadOnlyList<Instalment> instalments, IReadOnlyList<DiscountStep> discounts)
    {
        Instalments = instalments;
        Discounts = discounts;
    }

    /// <summary>At least one; the remainder, where there is one, stands last.</summary>
    public IReadOnlyList<Instalment> Instalments { get; }

    /// <summary>Discount steps as written; possibly none.</summary>
    public IReadOnlyList<DiscountStep> Discounts { get; }

    /// <summary>Whether payment is expected at or before supply.</summary>
    public PaymentMoment Moment { get; private init; }

    /// <summary>What the terms say beside dates and discounts.</summary>
    public TermsConditions Conditions { get; private init; } = new();

    /// <summary>Makes terms after checking that they can be applied.</summary>
    /// <exception cref="TermsException">
    /// No instalment; more than one remainder or one that is not last; percentages over 100, or under 100 without a
    /// remainder; a share or discount that is not above zero; a discount of 100 % or more; negative months or days.
    /// </exception>
    public static Terms Create(
        IReadOnlyList<Instalment> instalments,
        IReadOnlyList<DiscountStep>? discounts = null,
        PaymentMoment moment = PaymentMoment.OnAccount
    )
    {
        ArgumentNullException.ThrowIfNull(instalments);
        discounts ??= [];
        TermsCheck.Instalments(instalments);
        TermsCheck.Discounts(discounts);
        return new Terms([.. instalments], [.. discounts]) { Moment = moment };
    }

    /// <summary>The same dates and discounts under these conditions.</summary>
    public Terms Under(TermsConditions conditions) =>
        new(Instalments, Discounts) { Moment = Moment, Conditions = conditions };

    /// <summary>
    /// The terms in the trade's shorthand, in normal form. Reading it gives the same instalments and discounts.
    /// </summary>
    public override string ToString() => _text ??= ShorthandWriter.Write(this);
}
