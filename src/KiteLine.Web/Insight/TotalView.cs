using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TotalView(string Currency, int Accounts, Money Exposure, Money Limit, Money Overdue);
