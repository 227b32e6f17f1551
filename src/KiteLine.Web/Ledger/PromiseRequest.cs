namespace KiteLine.Web;

internal sealed record PromiseRequest(string? Amount, string? DueOn, string? Contact, string? Note);
