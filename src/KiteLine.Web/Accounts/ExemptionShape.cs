using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>Why sales to a customer bear no tax; with an empty reason they do.</summary>
/// <param name="Until">The last day of the certificate; empty where it has no end.</param>
internal sealed record ExemptionShape(
    string? Reason,
    string? Certificate,
    [property: TextOf(typeof(DateOnly))] string? Until
)
{
    internal static ExemptionShape Of(TaxExemption? exemption) =>
        new(exemption?.Reason ?? "", exemption?.Certificate ?? "", exemption?.Until?.ToString("O") ?? "");

    internal TaxExemption? Read(TaxExemption? before, Fields fields)
    {
        var read = new TaxExemption(
            Reason?.Trim() ?? before?.Reason ?? "",
            Certificate?.Trim() ?? before?.Certificate ?? "",
            Until is null ? before?.Until : fields.OptionalDate("exemption.until", Until)
        );
        return read is { Reason: "", Certificate: "", Until: null } ? null : read;
    }
}
