namespace KiteLine.Core;

/// <summary>What raising the late charge of an account comes to: its lines, their tax and the posting.</summary>
/// <param name="Net">The sum of the lines, without tax.</param>
public sealed record ChargeDecision(IReadOnlyList<ItemCharge> Lines, Money Net, Money Tax, Posting Posting)
{
    /// <summary>What the charge adds to what the customer owes, tax included.</summary>
    public Money Gross => Net + Tax;

    /// <summary>Decides on the charge through a day, dated on the business date.</summary>
    /// <param name="policy">The account's policy, or null when it has none.</param>
    /// <param name="changes">What the controller decided otherwise.</param>
    /// <exception cref="RefusedException">There is no policy, it is for showing only, its amounts lack a rate, or
    /// nothing has accrued.</exception>
    public static ChargeDecision Of(
        IReadOnlyList<Item> items,
        LateChargePolicy? policy,
        TaxCode? tax,
        DateOnly through,
        ChargeChanges changes,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(changes);
        ArgumentNullException.ThrowIfNull(rules);
        if (policy is null)
            throw new RefusedException("policy", "The account has no late-charge policy; give it one first.");
        if (policy.ShownOnly)
            throw new RefusedException(
                "policy",
                "The account's policy shows charges on letters and quotes and never posts them."
            );
        if (through > rules.Today)
            throw new RefusedException(
                "through",
                $"Charge through the business date, {Exactly.Day(rules.Today)}, or an earlier day."
            );
        var accrued = AccountCharges.On(items, policy, through, rules.Today, rules);
        if (accrued.LeftOut is { } why)
            throw new RefusedException("policy", why);
        var lines = changes.Of(accrued.Lines);
        if (lines.All(l => l.Total.IsZero))
            throw new RefusedException(
                "through",
                $"Nothing has accrued through {Exactly.Day(through)} that was not charged before."
            );
        var posting = LateChargePosting.Of(lines, policy, tax, rules);
        var document = posting.Documents[0];
        return new(lines, document.Net, document.Tax, posting);
    }
}
