namespace KiteLine.Core;

/// <summary>One thing that a credit check found, with its numbers.</summary>
/// <param name="Text">The finding in a sentence.</param>
/// <param name="Beyond">How far beyond: by how much a limit is passed, how much is overdue or was promised; in the
/// account's currency, null where there is no amount.</param>
public sealed record Finding(
    CheckFinding Kind,
    CheckResponse Response,
    string Text,
    Money? Beyond,
    IReadOnlyList<Working> Workings
);
