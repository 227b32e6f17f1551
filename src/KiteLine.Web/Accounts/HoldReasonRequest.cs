using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record HoldReasonRequest([property: MostCharacters(HoldDecision.LongestReason)] string? Reason);
