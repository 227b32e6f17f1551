using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record AllocationLineView(string Id, Money Cash, Money Discount, Money WriteOff, Money StaysOpen);
