namespace KiteLine.Core;

/// <summary>An invoice in the books, as its amendment needs it.</summary>
/// <param name="Terms">What holds for it now; null where it came in without terms.</param>
/// <param name="Calendar">That it was written under.</param>
/// <param name="Items">Those that it made, in the order of the instalments.</param>
/// <param name="AmendedOn">The date of its latest amendment that stands; null without any.</param>
public sealed record PostedInvoice(
    string Number,
    DateOnly Date,
    InvoiceAmounts Amounts,
    Terms? Terms,
    BusinessCalendar Calendar,
    IReadOnlyList<PostedInstalment> Items,
    DateOnly? AmendedOn
)
{
    /// <summary>Whether it was open before the books began; its items then hold what was left of it.</summary>
    public bool FromOpening { get; init; }

    /// <summary>Whether it was reversed.</summary>
    public bool Reversed { get; init; }
}
