using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What moving a receipt did, or would do.</summary>
/// <param name="Amount">What is moved.</param>
/// <param name="Free">What of the receipt is on account: it moves without undoing what the receipt settles.</param>
/// <param name="Most">What can be moved in all.</param>
/// <param name="From">The account that it is taken off.</param>
/// <param name="To">The account that it goes to; null where it waits among the unassigned receipts.</param>
internal sealed record MovedReceiptView(Money Amount, Money Free, Money Most, EffectView From, EffectView? To);
