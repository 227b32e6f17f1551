namespace KiteLine.Core;

/// <summary>
/// Whether what a customer says of a debt can be noted: that it is disputed, or when it will be paid.
/// </summary>
public static class ClaimDecision
{
    /// <summary>What is disputed of an item.</summary>
    /// <param name="open">What is open of it.</param>
    /// <param name="amount">As the customer says; null for all that is open.</param>
    /// <param name="known">Whether a dispute of the item is open already.</param>
    /// <exception cref="RefusedException">The item is closed or disputed already, or less is open.</exception>
    public static Money Disputed(string document, Money open, Money? amount, bool known)
    {
        if (open.Minor <= 0)
            throw new RefusedException("item", "Only an open debit can be disputed.");
        var disputed = amount ?? open;
        if (disputed.Minor <= 0 || disputed > open)
            throw new RefusedException("amount", $"Give what is disputed: above zero and at most {open}.");
        return known
            ? throw new RefusedException("item", $"{document} is disputed already; settle that first.")
            : disputed;
    }

    /// <exception cref="RefusedException">It was settled already, or no outcome is given.</exception>
    public static void RefuseSettling(DateOnly? settledOn, string outcome)
    {
        if (settledOn is not null)
            throw new RefusedException("dispute", "This dispute was settled already.");
        if (string.IsNullOrWhiteSpace(outcome))
            throw new RefusedException("outcome", "Say how it was settled, in a few words.");
    }

    /// <exception cref="RefusedException">No amount, or a day that has passed or is more than a year away.</exception>
    public static void RefusePromise(Money amount, DateOnly dueOn, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (amount.Minor <= 0)
            throw new RefusedException("amount", "Give what was promised, above zero.");
        if (dueOn < rules.Today || dueOn > rules.Today.AddYears(1))
            throw new RefusedException("dueOn", "A promise is for today or a day within a year.");
    }
}
