namespace KiteLine.Core;

/// <summary>A reminder that was issued and stands.</summary>
/// <param name="Date">The date of the letter.</param>
/// <param name="Fee">Its own fee, without those of earlier letters that it asks for again.</param>
/// <param name="FeePosted">Whether the fee was posted, and so is an item of the account.</param>
/// <param name="Replaces">Whether its shown fee stands in place of those of earlier letters on the same items;
/// otherwise they add up.</param>
/// <param name="Moving">The items that reached its level by it.</param>
public sealed record SentReminder(
    string Number,
    DateOnly Date,
    int Level,
    Money Fee,
    bool FeePosted,
    bool Replaces,
    IReadOnlyList<long> Moving
);
