using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>One link between a credit and what it settled, with both its items.</summary>
/// <param name="Credit">The item that gave.</param>
/// <param name="Debit">The item that was settled, with what its document says.</param>
public sealed record SettledBy(Account Account, Allocation Allocation, ItemDetail Credit, ItemDetail Debit);
