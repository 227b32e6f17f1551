using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A credit of the account that a receipt uses.</summary>
internal sealed record UsedCreditView(long ItemId, string Document, Money Amount);
