using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>How many accounts of a run stand alike, and what they come to.</summary>
/// <param name="Amount">In minor units of the currency.</param>
public sealed record RunCount(RunLineState State, string Currency, long Accounts, long Amount);
