using System.Text.Json;

namespace KiteLine.Web.Tests;

/// <summary>Reads the journal of an effect: each line's purpose, debits positive.</summary>
internal static class Journals
{
    internal static string[] Journal(JsonElement effect) =>
        [
            .. effect
                .GetProperty("journal")
                .EnumerateArray()
                .Select(l =>
                    $"{l.GetProperty("purpose").GetString()} "
                    + (
                        l.GetProperty("debit").ValueKind == JsonValueKind.String
                            ? l.GetProperty("debit").GetString()
                            : $"-{l.GetProperty("credit").GetString()}"
                    )
                ),
        ];
}
