using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LeakSumView(string Key, string Name, int Cases, MoneySum Amount);
