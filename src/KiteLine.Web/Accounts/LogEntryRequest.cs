namespace KiteLine.Web;

internal sealed record LogEntryRequest(string? Kind, string? On, string? Contact, string? Text);
