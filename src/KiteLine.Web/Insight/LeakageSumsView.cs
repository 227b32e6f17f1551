using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record LeakageSumsView(MoneySum AllowedLate, MoneySum WrittenOff, MoneySum NotGranted);
