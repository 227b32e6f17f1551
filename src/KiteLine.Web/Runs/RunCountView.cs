using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>How many accounts of a run stand alike in one currency, and what they come to.</summary>
internal sealed record RunCountView(RunLineState State, string Currency, long Accounts, Money Amount);
