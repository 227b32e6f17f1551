using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="To">The agency or the lawyers.</param>
internal sealed record HandOverRequest(
    [property: TextOf(typeof(CollectionKind))] string? Kind,
    [property: MostCharacters(Bounds.Line)] string? To,
    [property: MostCharacters(HoldDecision.LongestReason)] string? Reason
);
