using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One account of a run as it was worked out last, and what became of it.</summary>
/// <param name="Reason">Why it is left out, changed or failed; empty otherwise.</param>
/// <param name="Document">Number of the charge document or reminder that was posted; null before.</param>
public sealed record StoredRunLine(
    long AccountId,
    string Account,
    string Name,
    RunLineState State,
    RunLine Line,
    string Reason,
    string? Document,
    long? Entry,
    long? Reminder
);
