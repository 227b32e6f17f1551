namespace KiteLine.Web;

internal sealed record StatementPage(long Total, IReadOnlyList<StatementView> Items);
