namespace KiteLine.Core;

/// <summary>
/// One link between a credit (a receipt, a credit note) and a debit item, with cash, discount and write-off apart. It
/// is made and undone as a thing of its own.
/// </summary>
/// <param name="Credit">The item that gives.</param>
/// <param name="Debit">The item that is settled.</param>
/// <param name="Kind">Cash, or set-off where the credit is no money.</param>
/// <param name="ValueDate">The day it counts for interest and discount.</param>
/// <param name="Cash">What of the credit is used; not negative, as all its amounts.</param>
/// <param name="Posted">The business date on which it was made.</param>
/// <param name="UndoneOn">The business date on which it was undone, or null while it stands.</param>
public sealed record Allocation(
    long Id,
    long Credit,
    long Debit,
    MovementKind Kind,
    DateOnly ValueDate,
    Money Cash,
    Money Discount,
    Money WriteOff,
    DateOnly Posted,
    DateOnly? UndoneOn = null
)
{
    /// <summary>What it takes off the debit item.</summary>
    public Money Settled => Cash + Discount + WriteOff;

    /// <summary>What taking it back does to both items: each part with the opposite sign.</summary>
    public IEnumerable<ItemMovement> TakenBack()
    {
        var made = new NewAllocation(Credit, Debit, Kind, ValueDate, Cash, Discount, WriteOff);
        return made.OfDebit()
            .Select(m => new ItemMovement(Debit, m with { Amount = -m.Amount }))
            .Concat(made.OfCredit().Select(m => new ItemMovement(Credit, m with { Amount = -m.Amount })));
    }

    /// <summary>Whether the books show it on a day: from the later of its dates until it was undone.</summary>
    public bool ShownOn(DateOnly day) => ValueDate <= day && Posted <= day && !(UndoneOn <= day);

    /// <summary>How a credit of this kind settles a debit.</summary>
    public static MovementKind KindOf(ItemKind credit) =>
        credit == ItemKind.Receipt ? MovementKind.Cash : MovementKind.SetOff;
}
