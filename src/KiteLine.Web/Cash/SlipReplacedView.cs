namespace KiteLine.Web;

/// <summary>A receipt on a slip replaced by the right one.</summary>
/// <param name="Slip">As it is then; null for a preview.</param>
/// <param name="Effects">What it would do on each account; empty once it is done.</param>
/// <param name="Posting">The posting of the right receipt; null for a preview.</param>
/// <param name="Number">Its number.</param>
internal sealed record SlipReplacedView(
    SlipInHandView? Slip,
    IReadOnlyList<EffectView> Effects,
    long? Posting,
    string? Number
);
