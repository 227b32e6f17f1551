namespace KiteLine.Core;

/// <summary>What the books say of a posting that somebody wants to take back.</summary>
/// <param name="Kind">What it recorded.</param>
/// <param name="OfOneAccount">Whether it is for one account; opening items that came in together are not.</param>
/// <param name="Reversed">Whether it was taken back already.</param>
/// <param name="BuiltOnBy">The number of a later document, or the text of a later posting, that stands and builds on
/// it; null when none does.</param>
public sealed record PostedEntry(PostingKind Kind, bool OfOneAccount, bool Reversed, string? BuiltOnBy);
