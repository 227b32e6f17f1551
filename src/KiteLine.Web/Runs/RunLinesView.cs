namespace KiteLine.Web;

/// <param name="Total">How many items the run charges or asks for.</param>
internal sealed record RunLinesView(long Total, IReadOnlyList<RunLineView> Items);
