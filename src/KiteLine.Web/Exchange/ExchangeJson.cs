using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace KiteLine.Web;

/// <summary>How records are written for export, and read where every value may be a text.</summary>
internal static class ExchangeJson
{
    internal static JsonSerializerOptions Options { get; } =
        new(JsonSerializerDefaults.Web)
        {
            Converters = { new LenientText(), new WholeNumber(), new LargeNumber(), new YesNo() },
            TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            WriteIndented = true,
            Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        };

    internal static JsonObject Write<T>(T value) => JsonSerializer.SerializeToNode(value, Options)!.AsObject();

    /// <exception cref="Core.RefusedException">A text or list goes beyond its bound; names each.</exception>
    internal static T Read<T>(JsonObject record)
    {
        var read = record.Deserialize<T>(Options)!;
        InputBounds.Check(read);
        return read;
    }

    private sealed class WholeNumber : JsonConverter<int?>
    {
        public override int? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            (int?)Whole(ref reader, int.MaxValue);

        public override void Write(Utf8JsonWriter writer, int? value, JsonSerializerOptions options)
        {
            if (value is { } number)
                writer.WriteNumberValue(number);
            else
                writer.WriteNullValue();
        }
    }

    private sealed class LargeNumber : JsonConverter<long?>
    {
        public override long? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Whole(ref reader, long.MaxValue);

        public override void Write(Utf8JsonWriter writer, long? value, JsonSerializerOptions options)
        {
            if (value is { } number)
                writer.WriteNumberValue(number);
            else
                writer.WriteNullValue();
        }
    }

    private sealed class YesNo : JsonConverter<bool?>
    {
        public override bool? Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType switch
            {
                JsonTokenType.True => true,
                JsonTokenType.False => false,
                JsonTokenType.Null => null,
                JsonTokenType.String when reader.GetString() is { } text => text.ToLowerInvariant() switch
                {
                    "" => null,
                    "true" or "yes" or "1" => true,
                    "false" or "no" or "0" => false,
                    _ => throw new JsonException("Give true or false."),
                },
                _ => throw new JsonException("Give true or false."),
            };

        public override void Write(Utf8JsonWriter writer, bool? value, JsonSerializerOptions options)
        {
            if (value is { } yes)
                writer.WriteBooleanValue(yes);
            else
                writer.WriteNullValue();
        }
    }

    private static long? Whole(ref Utf8JsonReader reader, long most)
    {
        if (reader.TokenType == JsonTokenType.Null)
            return null;
        var text =
            reader.TokenType == JsonTokenType.String
                ? reader.GetString()
                : System.Text.Encoding.UTF8.GetString(reader.ValueSpan);
        if (string.IsNullOrEmpty(text))
            return null;
        return
            long.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number)
            && Math.Abs(number) <= most
            ? number
            : throw new JsonException("Give a whole number.");
    }
}
