using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargeTryOut(
    Money Interest,
    Money Compensation,
    Money Total,
    IReadOnlyList<SegmentLine> Segments,
    IReadOnlyList<DailyTotal> Days,
    IReadOnlyList<Working> Workings
);
