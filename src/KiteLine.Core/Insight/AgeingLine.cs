namespace KiteLine.Core;

/// <summary>What is open of some accounts in one currency, by age, as the books showed it at the end of a day.</summary>
/// <param name="Key">The value they share; empty for accounts that have none.</param>
/// <param name="Name">The name of the account, where it is one; else the value.</param>
/// <param name="Accounts">How many accounts have something open.</param>
/// <param name="Ageing">Debits less credits in minor units, one for each bucket.</param>
public sealed record AgeingLine(string Key, string Name, Currency Currency, int Accounts, IReadOnlyList<Int128> Ageing)
{
    /// <summary>What is open in all, in minor units: the balance.</summary>
    public Int128 Amount => Ageing.Aggregate(Int128.Zero, (sum, a) => sum + a);
}
