using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TermsPolicyRequest(
    string? Code,
    string? Name,
    string? Text,
    TermsConditionsShape? Conditions,
    string? Printed,
    string? Reason
);
