namespace KiteLine.Core;

/// <summary>
/// What the terms of one document give beyond the customer's own, by early-payment discount: measured by the authority to
/// allow discounts that were not earned, since it lets go of the same money.
/// </summary>
public static class BetterTerms
{
    /// <summary>
    /// The most that a payment on any day may take more under the document's terms than under the customer's; zero where it
    /// never may.
    /// </summary>
    public static Money Beyond(
        Terms own,
        Terms usual,
        InvoiceAmounts amounts,
        DateOnly date,
        BusinessCalendar calendar,
        RoundingRule rounding
    ) => Beyond(own, [usual], amounts, date, calendar, rounding);

    /// <summary>The same beyond whichever of several terms gives the most on the day.</summary>
    internal static Money Beyond(
        Terms own,
        IReadOnlyList<Terms> usual,
        InvoiceAmounts amounts,
        DateOnly date,
        BusinessCalendar calendar,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(amounts);
        var zero = Money.Zero(amounts.Net.Currency);
        if (own.Discounts.Count == 0 || amounts.Gross.Minor <= 0)
            return zero;
        var (given, known) = (Of(own), usual.Select(Of).ToArray());
        return given
            .Select(d => d.LastDay)
            .Select(day => Best(given, day) - known.Select(k => Best(k, day)).Aggregate(zero, Money.Max))
            .Aggregate(zero, Money.Max);

        ItemDiscount[] Of(Terms terms) =>
            terms.Discounts.Count == 0
                ? []
                : [.. ItemDiscounts.Of(terms, amounts, date, 1, amounts.Gross, false, calendar, rounding)];

        Money Best(ItemDiscount[] discounts, DateOnly day) =>
            ItemDiscount.Best(discounts, day, amounts.Gross)?.Amount ?? zero;
    }

    /// <summary>Refuses a document whose terms give more beyond the customer's than the authority covers.</summary>
    /// <param name="field">What the terms are typed in.</param>
    /// <exception cref="RefusedException">It lies above it.</exception>
    public static void RefuseBeyond(
        Terms own,
        Terms usual,
        InvoiceAmounts amounts,
        DateOnly date,
        string field,
        Authority authority,
        BooksRules rules
    ) => RefuseBeyond(own, [usual], amounts, date, field, authority, rules);

    /// <summary>
    /// Refuses terms of an account that give more beyond those it had than the authority covers, on an invoice of its whole
    /// limit: whatever is invoiced from then on has them.
    /// </summary>
    /// <param name="usual">Those it had, or the company's for a new customer.</param>
    /// <param name="limit">The limit in force.</param>
    /// <exception cref="RefusedException">It lies above it; names the terms.</exception>
    public static void RefuseBeyondOfAccount(Terms own, Terms usual, Money limit, Authority authority, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        var zero = Money.Zero(limit.Currency);
        var beyond = Beyond(own, [usual], new(limit, zero, zero), rules.Today, rules.Calendar, rules.Rounding);
        if (!authority.Covers(authority.Discount, beyond, rules, "terms"))
            throw new RefusedException(
                "terms",
                $"These terms give up to {beyond} more discount than the former on an invoice of the whole limit, {limit}, "
                    + "which lies above your authority; ask somebody with more."
            );
    }

    /// <summary>The same for terms that take the place of others, which were let go of already.</summary>
    /// <param name="usual">The customer's own, and those that the invoice had.</param>
    public static void RefuseBeyond(
        Terms own,
        IReadOnlyList<Terms> usual,
        InvoiceAmounts amounts,
        DateOnly date,
        string field,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        var beyond = Beyond(own, usual, amounts, date, rules.Calendar, rules.Rounding);
        if (!authority.Covers(authority.Discount, beyond, rules, field))
            throw new RefusedException(
                field,
                $"These terms give up to {beyond} more discount than the customer’s own, which lies above your authority; "
                    + "give at most what the customer’s terms give, or ask somebody with more."
            );
    }
}
