using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What the document of an item says of it.</summary>
/// <param name="Account">The place of its account among those asked for.</param>
/// <param name="At">Its place among the account's items.</param>
/// <param name="Gross">Of the document, in minor units; of a credit note negative.</param>
/// <param name="IsOpening">Whether it was brought in with the books.</param>
/// <param name="Offer">What it says about discounts; null where it offers none.</param>
internal readonly record struct ItemHistory(
    int Account,
    int At,
    long Document,
    long Gross,
    bool IsOpening,
    ItemOffer? Offer
);
