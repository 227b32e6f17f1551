namespace KiteLine.Core;

/// <summary>
/// What was open before the books began comes in freely while the company is being set up. After that a credit that
/// comes in, or a claim that is taken back, is measured like a write-off: either makes a customer owe less.
/// </summary>
public static class OpeningAuthority
{
    /// <summary>Refuses an opening document that makes a customer owe less, beyond the authority.</summary>
    /// <param name="kind">Of the document.</param>
    /// <param name="open">What of it is open, positive.</param>
    /// <param name="takenBack">The document is taken back, not brought in.</param>
    /// <param name="setUpEndedOn">The business date on which setting up ended; null while it goes on.</param>
    /// <exception cref="RefusedException">It lies above the authority to write off, or has no rate of the day; names
    /// the field <c>open</c>.</exception>
    public static void RefuseBeyond(
        ItemKind kind,
        Money open,
        bool takenBack,
        DateOnly? setUpEndedOn,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(authority);
        if (setUpEndedOn is not { } ended || (kind == ItemKind.Invoice) != takenBack)
            return;
        if (!authority.Covers(authority.WriteOff, open, rules, "open"))
            throw new RefusedException(
                "open",
                $"Setting up ended on {Exactly.Day(ended)}. Since then "
                    + (takenBack ? "taking this back" : "a credit from before")
                    + " makes the customer owe less as a write-off does, and it lies above your authority to write off."
            );
    }
}
