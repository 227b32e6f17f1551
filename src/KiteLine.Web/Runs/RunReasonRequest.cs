using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record RunReasonRequest([property: MostCharacters(RunChangeDecision.LongestReason)] string? Reason);
