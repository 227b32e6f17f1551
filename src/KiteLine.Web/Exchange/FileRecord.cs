using System.Text.Json.Nodes;

namespace KiteLine.Web;

/// <summary>One record of a file, with the row it stands on, or what is wrong with the row.</summary>
internal sealed record FileRecord(long Row, JsonObject? Record, string Problem = "");
