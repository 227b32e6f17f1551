namespace KiteLine.Web;

internal sealed record BusinessDateRequest(string? Date);
