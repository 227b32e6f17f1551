namespace KiteLine.Web;

/// <summary>The statement of an account over a period; this month up to the business date where it is left out.</summary>
internal sealed record StatementOfShape(string? Account, string? From, string? To);
