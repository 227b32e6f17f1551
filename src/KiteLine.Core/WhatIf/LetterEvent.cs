namespace KiteLine.Core;

/// <summary>A reminder that was issued on an account and stands, or a run of the company's that sent it none.</summary>
/// <param name="Entry">What was posted before this is known.</param>
/// <param name="At">When it was issued.</param>
/// <param name="Date">Of the letter.</param>
/// <param name="Letter">Null where the run sent none.</param>
/// <param name="Plan">The plan that it was written by; null where the run sent none.</param>
/// <param name="Items">All items that the letter asked for, with the level at which each was then; those that moved and those
/// that were listed only.</param>
public sealed record LetterEvent(
    long Entry,
    DateTimeOffset At,
    DateOnly Date,
    SentReminder? Letter,
    ReminderPlan? Plan,
    IReadOnlyDictionary<long, int> Items
);
