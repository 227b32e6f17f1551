using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record TotalView(string Currency, int Accounts, string Exposure, string Limit, string Overdue);
