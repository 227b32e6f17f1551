using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TermsPolicyRequest(
    string? Code,
    string? Name,
    [property: MostCharacters(Bounds.LongLine, Lines = true)] string? Text,
    TermsConditionsShape? Conditions,
    [property: MostCharacters(Bounds.Template, Lines = true)] string? Printed,
    string? Reason
);
