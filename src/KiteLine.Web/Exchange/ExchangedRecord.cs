using System.Text.Json.Nodes;

namespace KiteLine.Web;

/// <summary>What bringing in one record does, or would do.</summary>
/// <param name="Before">The record as it was exported before; null when it is new.</param>
/// <param name="After">As it is exported after; equal to <paramref name="Before"/> when nothing changes.</param>
internal sealed record ExchangedRecord(JsonNode? Before, JsonNode After);
