namespace KiteLine.Web;

internal sealed record ItemDiscountView(string Deadline, string LastDay, int GraceDays, string Amount, bool InForce);
