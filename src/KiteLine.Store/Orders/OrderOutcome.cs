using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What an action on an order led to: the order, and the check that decided it where there was one.</summary>
public sealed record OrderOutcome(SalesOrder Order, CreditCheck? Check);
