using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What of a receipt is moved, and where to.</summary>
/// <param name="Amount">Reads it in the currency of the account; null for all of it.</param>
/// <param name="To">How it is placed on another account; null where it waits among the unassigned receipts.</param>
public sealed record MoveRequest(Func<Currency, Money?> Amount, EntryPlacement? To, string Reason);
