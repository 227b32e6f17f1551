using System.Text.Json.Nodes;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>What bringing in one record does, or would do.</summary>
/// <param name="Before">The record as it was exported before; null when it is new.</param>
/// <param name="After">As it is exported after; equal to <paramref name="Before"/> when nothing changes.</param>
internal sealed record ExchangedRecord(JsonNode? Before, JsonNode After);

/// <summary>A kind of record that can be exported and brought in again, under the checks of the screens.</summary>
/// <param name="Name">As in the address, such as customers or late-charges.</param>
/// <param name="Export">All records of the kind, as they may be brought in.</param>
/// <param name="Import">Stores one record, new or changed; throws what the screens would refuse.</param>
internal sealed record ExchangeKind(
    string Name,
    Func<SqliteConnection, Desk, IEnumerable<JsonNode>> Export,
    Func<Tx, JsonObject, Desk, string, ExchangedRecord> Import
);

/// <summary>The kinds there are, by name.</summary>
internal sealed class ExchangeKinds
{
    private readonly Dictionary<string, ExchangeKind> _kinds = new(StringComparer.Ordinal);

    internal void Add(ExchangeKind kind) => _kinds[kind.Name] = kind;

    internal ExchangeKind Of(string name) =>
        _kinds.GetValueOrDefault(name)
        ?? throw new Core.RefusedException(
            "kind",
            $"Choose one of {string.Join(", ", _kinds.Keys.Order(StringComparer.Ordinal))}."
        );
}
