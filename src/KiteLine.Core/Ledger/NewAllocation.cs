namespace KiteLine.Core;

/// <summary>An allocation that a posting makes.</summary>
/// <param name="Credit">The item that gives; null for the first item of the posting's own document.</param>
/// <param name="Debit">The item that is settled; null for the first item of the posting's own document.</param>
/// <param name="Kind">Cash, or set-off where the credit is no money.</param>
/// <param name="Cash">What of the credit is used; not negative, as all its amounts.</param>
public sealed record NewAllocation(
    long? Credit,
    long? Debit,
    MovementKind Kind,
    DateOnly ValueDate,
    Money Cash,
    Money Discount,
    Money WriteOff
)
{
    /// <summary>What the debit item loses, each part by its kind; parts of nothing are left out.</summary>
    public IEnumerable<Movement> OfDebit()
    {
        if (!Cash.IsZero)
            yield return new(Kind, ValueDate, -Cash);
        if (!Discount.IsZero)
            yield return new(MovementKind.Discount, ValueDate, -Discount);
        if (!WriteOff.IsZero)
            yield return new(MovementKind.WriteOff, ValueDate, -WriteOff);
    }

    /// <summary>What the credit item gives; nothing where a discount or a write-off alone settles.</summary>
    public IEnumerable<Movement> OfCredit()
    {
        if (!Cash.IsZero)
            yield return new(Kind, ValueDate, Cash);
    }
}
