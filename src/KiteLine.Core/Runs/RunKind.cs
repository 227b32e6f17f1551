using System.Text.Json.Serialization;

namespace KiteLine.Core;

/// <summary>What a run does for many accounts at once.</summary>
public enum RunKind
{
    /// <summary>Raises late charges.</summary>
    [JsonStringEnumMemberName("late-charges")]
    LateCharges,

    /// <summary>Issues reminders.</summary>
    [JsonStringEnumMemberName("reminders")]
    Reminders,
}
