using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What moving a receipt did, or would do.</summary>
/// <param name="From">To the account that it was on.</param>
/// <param name="To">To the account that it goes to; null where it waits among the unassigned receipts.</param>
/// <param name="Amount">What was moved.</param>
/// <param name="Free">What of the receipt was on account, and could be moved without undoing what it settles.</param>
/// <param name="Most">What could be moved in all.</param>
public sealed record MovedReceipt(Effect<Posting> From, Effect<Payment>? To, Money Amount, Money Free, Money Most);
