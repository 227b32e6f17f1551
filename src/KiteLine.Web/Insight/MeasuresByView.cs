using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record MeasuresByView(AgeingKind By, int Total, IReadOnlyList<MeasuresOfView> Items);
