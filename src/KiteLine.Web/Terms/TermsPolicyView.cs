using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TermsPolicyView(
    string Code,
    string Name,
    int Version,
    string Text,
    TermsShape Terms,
    TermsConditionsShape Conditions,
    string Printed,
    IReadOnlyList<string> Warnings,
    long Uses,
    string MadeBy,
    string MadeAt
);
