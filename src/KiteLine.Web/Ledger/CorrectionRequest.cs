namespace KiteLine.Web;

/// <param name="Step">The deadline of the discount that is given; only where one is.</param>
internal sealed record CorrectionRequest(string? Reason, string? Step = null);
