namespace KiteLine.Core;

/// <summary>
/// What the accounts of one currency add up to, in minor units; of very many accounts that may be more than 64 bits hold.
/// </summary>
public sealed record BoardTotal(Currency Currency, int Accounts, Int128 Exposure, Int128 Limit, Int128 Overdue);
