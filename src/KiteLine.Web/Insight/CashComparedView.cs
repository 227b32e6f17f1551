using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Came">Cash with a value date in the week.</param>
internal sealed record CashComparedView(DateOnly From, DateOnly To, MoneySum Expected, MoneySum Came);
