using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Until">The first day on which reminders go out again.</param>
internal sealed record PauseRequest(
    [property: TextOf(typeof(DateOnly))] string? Until,
    [property: MostCharacters(HoldDecision.LongestReason)] string? Reason
);
