using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What was promised on the telephone.</summary>
/// <param name="Replaces">Open promises that it takes the place of; left out, none.</param>
internal sealed record CallPromiseShape(
    string? Amount,
    string? DueOn,
    [property: MostEntries(Bounds.Named)] IReadOnlyList<long>? Replaces = null
);
