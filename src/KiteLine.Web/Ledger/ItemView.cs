using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>One item as the account page shows it.</summary>
/// <param name="Open">As the books showed it on the day; the items add up to the account's balance.</param>
/// <param name="LateCharge">Accrued by value and not raised, with its part of the tax; null for nothing.</param>
/// <param name="OpenByValue">By value: differs on a past day where something was posted later with an earlier value
/// date.</param>
/// <param name="Number">The document's own, without the instalment.</param>
/// <param name="Changes">What was settled of it and taken back, the latest where there are many.</param>
/// <param name="Disputed">What of it is disputed.</param>
internal sealed record ItemView(
    long Id,
    string Document,
    ItemKind Kind,
    DateOnly Date,
    DateOnly Due,
    string Terms,
    Money Opened,
    Money Open,
    int DaysOverdue,
    int Bucket,
    IReadOnlyList<ItemDiscountView> Discounts,
    Money? DiscountToday,
    Money? LateCharge,
    DateOnly? ChargedThrough,
    DateOnly? ChargesFrom,
    int ReminderLevel,
    IReadOnlyList<MarkView> Marks,
    string Reference,
    Money OpenByValue,
    Money Disputed,
    string Number,
    IReadOnlyList<ItemChangeView> Changes
);
