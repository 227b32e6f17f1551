using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TotalView(string Currency, int Accounts, MoneySum Exposure, MoneySum Limit, MoneySum Overdue);
