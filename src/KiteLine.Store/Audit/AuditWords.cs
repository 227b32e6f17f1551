using System.Globalization;
using System.Text;
using System.Text.Json;

namespace KiteLine.Store;

/// <summary>Puts the stored detail of an audit row into words: what it was, what it is.</summary>
public static class AuditWords
{
    /// <summary>The fields whose value changed; for rows that keep no former state, all that were set.</summary>
    public static IReadOnlyList<AuditChange> Of(string detail)
    {
        using var document = JsonDocument.Parse(detail);
        var root = document.RootElement;
        if (root.ValueKind != JsonValueKind.Object)
            return [];
        var (before, after) = (
            new Dictionary<string, string>(StringComparer.Ordinal),
            new Dictionary<string, string>(StringComparer.Ordinal)
        );
        if (root.TryGetProperty("after", out var now))
        {
            if (root.TryGetProperty("before", out var then))
                Flatten(then, "", before);
            Flatten(now, "", after);
        }
        else
        {
            Flatten(root, "", after);
        }

        return
        [
            .. before
                .Keys.Union(after.Keys)
                .Where(path => !Same(before.GetValueOrDefault(path), after.GetValueOrDefault(path)))
                .Select(path => new AuditChange(
                    path.Length == 0 ? "value" : path,
                    before.GetValueOrDefault(path),
                    after.GetValueOrDefault(path)
                )),
        ];
    }

    // 250 and 250.00 are the same figure, however it was written.
    private static bool Same(string? before, string? after) =>
        before == after || (Figure(before) is { } was && Figure(after) is { } now && was == now);

    private static decimal? Figure(string? text) =>
        text is { Length: > 0 }
        && (text.Length == 1 || text[0] != '0' || text[1] == '.')
        && decimal.TryParse(
            text,
            NumberStyles.AllowDecimalPoint | NumberStyles.AllowLeadingSign,
            CultureInfo.InvariantCulture,
            out var figure
        )
            ? figure
            : null;

    private static void Flatten(JsonElement element, string path, Dictionary<string, string> into)
    {
        switch (element.ValueKind)
        {
            case JsonValueKind.Object:
                foreach (var property in element.EnumerateObject())
                    Flatten(property.Value, Join(path, Words(property.Name)), into);
                break;
            case JsonValueKind.Array
                when element
                    .EnumerateArray()
                    .All(e => e.ValueKind is not (JsonValueKind.Object or JsonValueKind.Array)):
                into[path] = string.Join(", ", element.EnumerateArray().Select(Value));
                break;
            case JsonValueKind.Array:
                var i = 0;
                foreach (var entry in element.EnumerateArray())
                    Flatten(entry, $"{path} {(++i).ToString(CultureInfo.InvariantCulture)}", into);
                break;
            case JsonValueKind.Null or JsonValueKind.Undefined:
                break;
            default:
                if (Value(element) is { Length: > 0 } value)
                    into[path] = value;
                break;
        }
    }

    private static string Value(JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.True => "yes",
            JsonValueKind.False => "no",
            JsonValueKind.String => element.GetString()!.Replace("\n", ", ", StringComparison.Ordinal),
            _ => element.GetRawText(),
        };

    private static string Join(string path, string name) => path.Length == 0 ? name : $"{path}, {name}";

    // daysAfterDue becomes "days after due".
    private static string Words(string name)
    {
        var words = new StringBuilder();
        foreach (var c in name)
        {
            if (char.IsUpper(c) && words.Length > 0)
                words.Append(' ');
            words.Append(char.ToLowerInvariant(c));
        }

        return words.ToString();
    }
}
