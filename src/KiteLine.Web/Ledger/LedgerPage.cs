namespace KiteLine.Web;

internal sealed record LedgerPage(long Total, IReadOnlyList<LedgerRowView> Items);
