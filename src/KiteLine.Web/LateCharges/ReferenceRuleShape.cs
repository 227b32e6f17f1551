namespace KiteLine.Web;

internal sealed record ReferenceRuleShape(string? Code, string? Margin, bool? FixedForLife, bool? DayBefore);
