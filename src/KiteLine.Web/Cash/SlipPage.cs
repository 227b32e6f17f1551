namespace KiteLine.Web;

internal sealed record SlipPage(long Total, IReadOnlyList<SlipView> Items);
