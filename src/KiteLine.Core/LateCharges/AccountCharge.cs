namespace KiteLine.Core;

/// <summary>The late charges of an account that were not raised yet.</summary>
/// <param name="Lines">One for each item that has something to charge, or whose days count as charged, in the order of
/// the items.</param>
/// <param name="LeftOut">Why nothing can be charged although a policy holds, as a sentence; null otherwise.</param>
public sealed record AccountCharge(IReadOnlyList<ItemCharge> Lines, string? LeftOut)
{
    /// <summary>
    /// What is asked for on a day: of charges that are shown only, none on items that were paid by then. Nobody posts
    /// them, so that there is nothing left to pay where the customer paid without them.
    /// </summary>
    public AccountCharge Asked(LateChargePolicy policy, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(policy);
        return policy.ShownOnly
            ? this with
            {
                Lines = [.. Lines.Where(l => l.Item.OpenByValue(day).Minor > 0 || !l.Correction.IsZero)],
            }
            : this;
    }

    /// <summary>What the lines add up to, without tax.</summary>
    public Money Net(Currency currency) => Lines.Aggregate(Money.Zero(currency), (sum, l) => sum + l.Total);
}
