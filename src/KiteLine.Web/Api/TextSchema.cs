using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace KiteLine.Web;

/// <summary>Describes texts as texts, which a converter of our own hides, and lets requests leave fields out.</summary>
internal sealed class TextSchema : IOpenApiSchemaTransformer
{
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
        }

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
}
