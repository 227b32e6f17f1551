using System.Text.Json.Nodes;
using KiteLine.Core;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace KiteLine.Web;

/// <summary>
/// Describes texts as texts, which a converter of our own hides, and amounts as decimal strings; names the choices of a
/// closed set and the bounds of texts and lists; and lets requests leave fields out.
/// </summary>
internal sealed class TextSchema : IOpenApiSchemaTransformer
{
    /// <summary>The name under which a type is described once; null where it stands in place.</summary>
    internal static string? Reference(System.Text.Json.Serialization.Metadata.JsonTypeInfo type) =>
        (Nullable.GetUnderlyingType(type.Type) ?? type.Type) is var plain
        && (plain == typeof(Money) || plain == typeof(MoneySum))
            ? "Money"
        : plain == typeof(DateOnly) ? "Day"
        : OpenApiOptions.CreateDefaultSchemaReferenceId(type);

    public Task TransformAsync(
        OpenApiSchema schema,
        OpenApiSchemaTransformerContext context,
        CancellationToken cancellationToken
    )
    {
        var type = context.JsonTypeInfo.Type;
        if (type == typeof(string))
        {
            var nullable = context.JsonPropertyInfo is { IsGetNullable: true };
            schema.Type = nullable ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
            Closed(schema, context, nullable);
        }

        if (
            context.JsonPropertyInfo is { AttributeProvider: System.Reflection.PropertyInfo property }
            && InputBounds.MostOf(property.DeclaringType!, property.Name) is { } most
        )
        {
            if (type == typeof(string))
                schema.MaxLength = most;
            else if (type.IsAssignableTo(typeof(System.Collections.IEnumerable)))
                schema.MaxItems = most;
        }

        if (type.IsEnum)
            schema.Type = JsonSchemaType.String;
        if (type == typeof(Money) || type == typeof(Money?) || type == typeof(MoneySum))
        {
            schema.Type = type == typeof(Money?) ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
            schema.Format = "decimal";
            schema.Description = "An amount with the decimals of its currency, such as 1176.00";
        }

        if (typeof(IEnumerable<Money>).IsAssignableFrom(type))
            schema.Items = new OpenApiSchemaReference("Money", context.Document);
        if (typeof(IEnumerable<string>).IsAssignableFrom(type))
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
        if (typeof(IReadOnlyDictionary<string, string>).IsAssignableFrom(type))
            schema.AdditionalProperties = new OpenApiSchema { Type = JsonSchemaType.String };
        if (type == typeof(System.Text.Json.JsonElement))
            schema.Description = "Shorthand, or an object as in the answer of /api/calc/terms";
        if (
            type.Name.EndsWith("Request", StringComparison.Ordinal)
            || type.Name.EndsWith("Shape", StringComparison.Ordinal)
        )
            schema.Required?.Clear();
        return Task.CompletedTask;
    }

    private static void Closed(OpenApiSchema schema, OpenApiSchemaTransformerContext context, bool nullable)
    {
        var of = context
            .JsonPropertyInfo?.AttributeProvider?.GetCustomAttributes(typeof(TextOfAttribute), false)
            .OfType<TextOfAttribute>()
            .SingleOrDefault();
        if (of?.Type == typeof(DateOnly))
            schema.Format = "date";
        if (of?.Choices() is not { } names)
            return;
        schema.Enum = [.. names.Select(n => (JsonNode)n)];
        if (nullable)
            schema.Enum.Add(JsonNullSentinel.JsonNull);
    }
}
