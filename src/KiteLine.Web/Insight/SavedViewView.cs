namespace KiteLine.Web;

internal sealed record SavedViewView(long Id, string Name, string Query, bool Shared, string MadeBy, bool Mine);
