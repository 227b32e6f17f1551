namespace KiteLine.Web;

/// <summary>What was promised on the telephone.</summary>
internal sealed record CallPromiseShape(string? Amount, string? DueOn);
