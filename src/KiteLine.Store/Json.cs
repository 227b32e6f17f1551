using System.Text.Json;
using System.Text.Json.Serialization;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>How settings and policies are written into JSON columns.</summary>
public static class Json
{
    /// <summary>Names in camel case, enumerations by name, day counts by their trade name.</summary>
    public static JsonSerializerOptions Options { get; } =
        new(JsonSerializerDefaults.Web)
        {
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase), new DayCountConverter() },
            DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
            NumberHandling = JsonNumberHandling.Strict,
            // SQL functions on JSON do not keep the mark of a hierarchy in the first place.
            AllowOutOfOrderMetadataProperties = true,
        };

    /// <summary>A value as it is stored.</summary>
    public static string Write<T>(T value) => JsonSerializer.Serialize(value, Options);

    /// <summary>A stored value. What is not there takes its default, so that older records can be read.</summary>
    public static T Read<T>(string text) => JsonSerializer.Deserialize<T>(text, Options)!;

    private sealed class DayCountConverter : JsonConverter<DayCount>
    {
        public override DayCount Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            DayCount.Of(reader.GetString()!);

        public override void Write(Utf8JsonWriter writer, DayCount value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.Name);
    }
}
