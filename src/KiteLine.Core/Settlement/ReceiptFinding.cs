namespace KiteLine.Core;

/// <summary>What a controller should know about how a receipt settles an item. A closed set.</summary>
public abstract record ReceiptFinding(string Code)
{
    /// <summary>The shortfall is exactly a discount whose deadline had passed.</summary>
    /// <param name="DaysLate">Days from the deadline, grace days included, to the value date.</param>
    /// <param name="Amount">The discount that was taken.</param>
    /// <param name="Deadline">Which step of the terms it was; that very step can be allowed.</param>
    public sealed record DiscountUnearned(int DaysLate, Money Amount, DateOnly Deadline)
        : ReceiptFinding("discount-unearned");

    /// <summary>Less was paid than is open, for no reason that can be told.</summary>
    public sealed record Short(Money Amount) : ReceiptFinding("short");

    /// <summary>More was paid than is needed.</summary>
    public sealed record Over(Money Amount) : ReceiptFinding("over");

    /// <summary>The full amount was paid while a discount was open.</summary>
    public sealed record DiscountNotTaken(Money Amount) : ReceiptFinding("discount-not-taken");

    /// <summary>Less of a discount was deducted than was open.</summary>
    /// <param name="Rest">What the customer may still ask for.</param>
    public sealed record DiscountPartlyTaken(Money Rest) : ReceiptFinding("discount-partly-taken");

    /// <summary>What was paid beyond the items is what a reminder showed as fee and interest: its income.</summary>
    /// <param name="Letter">The number of the reminder.</param>
    /// <param name="Interest">With tax.</param>
    public sealed record LetterPaidInFull(string Letter, Money Fee, Money Interest)
        : ReceiptFinding("letter-paid-in-full");

    /// <summary>The value date lies before the document's own date: no discount is earned by it.</summary>
    public sealed record BeforeInvoice() : ReceiptFinding("before-invoice");

    /// <summary>
    /// Not every set of items was looked at: there are too many. One that ties may have been missed, or a second one.
    /// </summary>
    public sealed record SearchBounded() : ReceiptFinding("search-bounded");
}
