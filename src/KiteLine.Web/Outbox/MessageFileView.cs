namespace KiteLine.Web;

internal sealed record MessageFileView(long Id, string Name, string MediaType, long Size);
