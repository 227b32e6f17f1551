namespace KiteLine.Web;

/// <param name="Total">How many runs there are.</param>
/// <param name="Items">The latest first, without lines.</param>
internal sealed record RunsView(long Total, IReadOnlyList<RunView> Items);
