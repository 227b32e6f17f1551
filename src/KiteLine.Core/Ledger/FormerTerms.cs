namespace KiteLine.Core;

/// <summary>What an item said before its invoice was amended, by value.</summary>
/// <param name="Until">The date of the amendment: the first day on which something else holds.</param>
/// <param name="Due">The due date before.</param>
/// <param name="Discounts">What it offered before.</param>
/// <param name="PartPayments">Whether a part payment earned its share.</param>
public sealed record FormerTerms(
    DateOnly Until,
    DateOnly Due,
    IReadOnlyList<ItemDiscount> Discounts,
    bool PartPayments
);
