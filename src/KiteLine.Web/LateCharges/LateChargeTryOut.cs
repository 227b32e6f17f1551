using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargeTryOut(
    string Interest,
    string Compensation,
    string Total,
    IReadOnlyList<SegmentLine> Segments,
    IReadOnlyList<DailyTotal> Days,
    IReadOnlyList<Working> Workings
);
