using System.Globalization;
using System.Text.Json.Nodes;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// A record of the interface as one row of a table and back. Columns bear the paths by which the interface names
/// fields, such as <c>name</c>, <c>conditions.base</c> or <c>rates[0].from</c>.
/// </summary>
internal static class FlatRow
{
    /// <summary>The record's values by path; empty ones are left out.</summary>
    internal static Dictionary<string, string> Of(JsonNode? record)
    {
        var row = new Dictionary<string, string>(StringComparer.Ordinal);
        Into(record, "", row);
        return row;
    }

    /// <summary>
    /// The record of a row. An empty cell clears what it stands for, lists and groups of fields with nothing but empty
    /// cells are empty; what has no column is left out.
    /// </summary>
    /// <exception cref="FormatException">A column's name is no path; says which.</exception>
    internal static JsonObject Record(IReadOnlyList<string> columns, IReadOnlyList<string> values)
    {
        var root = new JsonObject();
        for (var i = 0; i < columns.Count; i++)
        {
            var path = Path(columns[i]);
            if (path.Count == 1 || values[i].Length > 0)
                Set(root, path, values[i]);
            // A list that has columns and no values is empty, not left out.
            else if (path[1] is int && root[(string)path[0]] is null)
                root[(string)path[0]] = new JsonArray();
        }

        return root;
    }

    private static void Into(JsonNode? node, string path, Dictionary<string, string> row)
    {
        switch (node)
        {
            case JsonObject o:
                foreach (var (name, value) in o)
                    Into(value, path.Length == 0 ? name : $"{path}.{name}", row);
                break;
            case JsonArray a:
                for (var i = 0; i < a.Count; i++)
                    Into(a[i], $"{path}[{i.ToString(CultureInfo.InvariantCulture)}]", row);
                break;
            case JsonValue v:
                var text = v.GetValueKind() switch
                {
                    System.Text.Json.JsonValueKind.String => v.GetValue<string>(),
                    System.Text.Json.JsonValueKind.True => "true",
                    System.Text.Json.JsonValueKind.False => "false",
                    _ => v.ToJsonString(),
                };
                if (text.Length > 0)
                    row[path] = text;
                break;
        }
    }

    // Names and list positions in turn: rates[0].from is "rates", 0, "from".
    private static List<object> Path(string column)
    {
        var path = new List<object>();
        if (column.Length > Bounds.Line)
            throw new FormatException(column[..Bounds.Line]);
        var parts = column.Split('.');
        if (parts.Length > Bounds.ColumnDepth)
            throw new FormatException(column);
        foreach (var part in parts)
        {
            var bracket = part.IndexOf('[', StringComparison.Ordinal);
            var name = bracket < 0 ? part : part[..bracket];
            if (name.Length == 0)
                throw new FormatException(column);
            path.Add(path.Count == 0 ? Camel(name) : name);
            if (bracket < 0)
                continue;
            // A list holds records or texts, never lists.
            path.Add(
                part[^1] == ']'
                && int.TryParse(part[(bracket + 1)..^1], NumberStyles.None, CultureInfo.InvariantCulture, out var n)
                && n < Bounds.List
                    ? n
                    : throw new FormatException(column)
            );
        }

        return path;
    }

    // The columns of customers.csv are written with underscores.
    private static string Camel(string name)
    {
        var words = name.Split('_', StringSplitOptions.RemoveEmptyEntries);
        return words.Length < 2
            ? name
            : words[0] + string.Concat(words.Skip(1).Select(w => char.ToUpperInvariant(w[0]) + w[1..]));
    }

    private static void Set(JsonNode at, List<object> path, string value)
    {
        for (var i = 0; i < path.Count; i++)
        {
            var last = i == path.Count - 1;
            JsonNode Made() =>
                last ? JsonValue.Create(value)
                : path[i + 1] is int ? new JsonArray()
                : new JsonObject();
            if (at is JsonArray list && path[i] is int n)
            {
                while (list.Count <= n)
                    list.Add((JsonNode?)null);
                at = list[n] is { } there && !last ? there : list[n] = Made();
            }
            else if (at is JsonObject group && path[i] is string name)
            {
                at = group[name] is { } there && !last ? there : group[name] = Made();
            }
            else
            {
                throw new FormatException(string.Join('.', path));
            }
        }
    }
}
