using System.Text.Json;
using System.Text.Json.Serialization;
using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// Writes an amount as a decimal string with the decimals of its currency, such as <c>"1176.00"</c>. Requests hold
/// amounts as texts, so that each that cannot be read is named.
/// </summary>
internal sealed class MoneyText : JsonConverter<Money>
{
    public override Money Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        throw new NotSupportedException("An amount does not say its currency; read it as a text.");

    public override void Write(Utf8JsonWriter writer, Money value, JsonSerializerOptions options) =>
        writer.WriteStringValue(value.ToString());

    /// <summary>The same for sums.</summary>
    internal sealed class OfSum : JsonConverter<MoneySum>
    {
        public override MoneySum Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            throw new NotSupportedException("A sum is never asked for.");

        public override void Write(Utf8JsonWriter writer, MoneySum value, JsonSerializerOptions options) =>
            writer.WriteStringValue(value.ToString());
    }
}
