namespace KiteLine.Web;

/// <summary>What a what-if rests on for one account: its lines, those first that differ.</summary>
/// <param name="Total">How many there are; of very many those that do not differ are left away.</param>
internal sealed record ReplayedAccountLinesView(
    string Code,
    string Name,
    string Currency,
    int Total,
    IReadOnlyList<ReplayedLineView> Lines
);
