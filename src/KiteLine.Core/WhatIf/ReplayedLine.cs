namespace KiteLine.Core;

/// <summary>One thing that happened, or would have, on an account.</summary>
/// <param name="Day">Of the payment, the charge, the letter or the order.</param>
/// <param name="About">The document, the letter or the order.</param>
/// <param name="Happened">The amount; null where it did not happen.</param>
/// <param name="Would">The amount it would have been; null where it would not have happened.</param>
/// <param name="Why">How the second amount came about, as a sentence; empty where it needs no explanation.</param>
public sealed record ReplayedLine(
    ReplayKind Kind,
    DateOnly Day,
    string About,
    Money? Happened,
    Money? Would,
    string Why = ""
)
{
    /// <summary>Whether somebody decided otherwise than the rules, which the replay keeps.</summary>
    public bool ByHand { get; init; }

    /// <summary>
    /// What the account's own rules give for what happened, where that is not what happened and nobody decided so: one of
    /// the two is wrong. Null where they agree.
    /// </summary>
    public Money? ByOwnRules { get; init; }

    /// <summary>Whether the replay differs from what happened.</summary>
    public bool Differs => Happened != Would;
}
