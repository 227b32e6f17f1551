using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LateChargeAnswer(
    string Total,
    IReadOnlyList<SegmentLine> Segments,
    IReadOnlyList<Working> Workings
);
