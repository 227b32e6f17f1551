namespace KiteLine.Web;

internal sealed record IdentifierName(string Code, string Title, string Form);
