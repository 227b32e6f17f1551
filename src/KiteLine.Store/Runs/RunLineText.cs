using System.Buffers;
using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>How the items of a line are kept: short, since a run has very many.</summary>
internal static class RunLineText
{
    internal static ReadOnlyMemory<byte> Write(RunLine line)
    {
        var buffer = new ArrayBufferWriter<byte>(64 + (line.Items.Count * 24));
        using (var json = new Utf8JsonWriter(buffer))
        {
            json.WriteStartArray();
            json.WriteStartArray();
            foreach (var i in line.Items)
            {
                json.WriteNumberValue(i.Item);
                json.WriteNumberValue(i.Amount.Minor);
                json.WriteNumberValue(i.Interest.Minor);
                json.WriteNumberValue(i.Level);
                json.WriteBooleanValue(i.Moves);
            }

            json.WriteEndArray();
            json.WriteStartArray();
            foreach (var i in line.ItemsLeftOut)
            {
                json.WriteNumberValue(i.Item);
                json.WriteNumberValue(i.Amount.Minor);
                json.WriteStringValue(i.Reason);
            }

            json.WriteEndArray();
            json.WriteEndArray();
        }

        return buffer.WrittenMemory;
    }

    internal static (IReadOnlyList<RunItem> Items, IReadOnlyList<RunItem> LeftOut) Read(byte[] text, Currency currency)
    {
        using var json = JsonDocument.Parse(text);
        var (items, leftOut) = (new List<RunItem>(), new List<RunItem>());
        var kept = json.RootElement[0];
        for (var i = 0; i < kept.GetArrayLength(); i += 5)
            items.Add(
                new(
                    kept[i].GetInt64(),
                    Money.FromMinor(kept[i + 1].GetInt64(), currency),
                    Money.FromMinor(kept[i + 2].GetInt64(), currency),
                    kept[i + 3].GetInt32(),
                    kept[i + 4].GetBoolean(),
                    ""
                )
            );
        var without = json.RootElement[1];
        for (var i = 0; i < without.GetArrayLength(); i += 3)
            leftOut.Add(
                RunItem.Out(
                    without[i].GetInt64(),
                    Money.FromMinor(without[i + 1].GetInt64(), currency),
                    without[i + 2].GetString()!
                )
            );
        return (items, leftOut);
    }
}
