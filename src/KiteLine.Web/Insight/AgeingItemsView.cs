namespace KiteLine.Web;

internal sealed record AgeingItemsView(DateOnly AsOf, int Total, IReadOnlyList<AgeingItemView> Items);
