using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AgeingPointView(DateOnly Day, MoneySum Amount, IReadOnlyList<BucketSumView> Ageing);
