using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Kind">What is decided.</param>
/// <param name="Item">The item that it is about.</param>
/// <param name="Amount">What a charge is cut to, without tax.</param>
/// <param name="Level">The level that the letter speaks at.</param>
internal sealed record RunChangeRequest(
    [property: TextOf(typeof(RunChangeKind))] string? Kind,
    long? Item = null,
    [property: MostCharacters(Bounds.Line)] string? Amount = null,
    int? Level = null,
    [property: MostCharacters(RunChangeDecision.LongestReason)] string? Reason = null
);
