using System.Text.Json.Nodes;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>A kind of record that can be exported and brought in again, under the checks of the screens.</summary>
/// <param name="Name">As in the address, such as customers or late-charges.</param>
/// <param name="Export">All records of the kind, as they may be brought in.</param>
/// <param name="Import">Stores one record, new or changed; throws what the screens would refuse.</param>
internal sealed record ExchangeKind(
    string Name,
    Func<SqliteConnection, Desk, IEnumerable<JsonNode>> Export,
    Func<Tx, JsonObject, Desk, string, ExchangedRecord> Import
);
