using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record ItemDiscountView(DateOnly Deadline, DateOnly LastDay, int GraceDays, Money Amount, bool InForce);
