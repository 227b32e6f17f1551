namespace KiteLine.Web;

internal sealed record JournalPage(long Total, IReadOnlyList<JournalRowView> Items);
