using System.Text.Json;
using System.Text.Json.Serialization;

namespace KiteLine.Web;

/// <summary>
/// Reads a number where a decimal string is wanted, digit for digit, since many programs send money so.
/// </summary>
internal sealed class LenientText : JsonConverter<string>
{
    public override string? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType != JsonTokenType.Number)
            return reader.GetString();
        return System.Text.Encoding.UTF8.GetString(reader.ValueSpan);
    }

    public override void Write(Utf8JsonWriter writer, string value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value);
}
