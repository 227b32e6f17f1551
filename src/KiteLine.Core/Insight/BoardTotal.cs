namespace KiteLine.Core;

/// <summary>What the accounts of one currency add up to, in minor units.</summary>
public sealed record BoardTotal(Currency Currency, int Accounts, long Exposure, long Limit, long Overdue);
