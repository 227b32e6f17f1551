using System.Text.Json;
using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Terms">The terms as an object, where no text is given.</param>
internal sealed record TermsRequest(
    [property: MostCharacters(Bounds.LongLine, Lines = true)] string? Text,
    JsonElement? Terms = null
);
