using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Entries of Today to put off or take up: one by its key, or several at once.</summary>
internal sealed record PutOffRequest(string? Key, string? Until, string? Reason, IReadOnlyList<string>? Keys = null)
{
    /// <summary>As many as the interface tells of one account.</summary>
    internal const int Most = 200;

    /// <exception cref="RefusedException">None is given, or too many are.</exception>
    internal IReadOnlyList<string> Entries() =>
        Keys is not { Count: > 0 } ? [Key ?? ""]
        : Keys.Count <= Most ? [.. Keys.Distinct(StringComparer.Ordinal)]
        : throw new RefusedException("keys", $"Give at most {Most} entries at once.");
}
