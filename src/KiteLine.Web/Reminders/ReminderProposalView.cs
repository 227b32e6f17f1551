using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The next reminder, or why there is none.</summary>
/// <param name="Fee">What the letter asks for as fees: its own, and <paramref name="EarlierFees"/>.</param>
/// <param name="LateCharge">With its tax.</param>
/// <param name="ItemsLeftOut">What is overdue and left out, such as disputed items, with the reason.</param>
internal sealed record ReminderProposalView(
    int Level,
    DateOnly Date,
    DateOnly? PayBy,
    Money Fee,
    Treatment FeeTreatment,
    Treatment LateChargeTreatment,
    Delivery Delivery,
    Money LateCharge,
    Money Total,
    string? LeftOut,
    DateOnly? NextOn,
    AccountState? SetsState,
    IReadOnlyList<ReminderLineView> Items,
    IReadOnlyList<Working> Workings,
    Money EarlierFees,
    IReadOnlyList<Working> ItemsLeftOut
);
