using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A view that is to go out by itself.</summary>
/// <param name="Query">How the view is asked for, such as <c>by=owner</c>.</param>
internal sealed record MailedViewRequest(
    string? Name,
    [property: TextOf(typeof(MailedReport))] string? Report,
    [property: MostCharacters(MailedView.LongestQuery)] string? Query,
    string? Format,
    [property: MostCharacters(3000)] string? Recipients,
    [property: TextOf(typeof(RunRhythm))] string? Rhythm,
    int? Number
);
