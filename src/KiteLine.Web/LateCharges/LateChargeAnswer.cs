using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargeAnswer(
    Money Total,
    IReadOnlyList<SegmentLine> Segments,
    IReadOnlyList<Working> Workings
);
