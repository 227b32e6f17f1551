namespace KiteLine.Core;

/// <summary>Which short-pay allowance an account has.</summary>
/// <param name="Amount">Of its own: the most that is written off on one item, in the account's currency.</param>
/// <param name="Percent">Of its own: the most as a percentage of the item's open amount.</param>
public sealed record AccountAllowance(AllowanceChoice Choice, decimal Amount = 0, decimal Percent = 0)
{
    /// <summary>The company's holds.</summary>
    public static AccountAllowance Company { get; } = new(AllowanceChoice.Company);

    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public IEnumerable<(string Field, string Message)> Problems(Currency currency)
    {
        ArgumentNullException.ThrowIfNull(currency);
        if (Amount is < 0 or > Bounds.Amount || !currency.Fits(Amount))
            yield return (
                "allowance.amount",
                $"Give an amount of 0 or more, with at most {currency.Decimals} decimals for {currency.Code}."
            );
        if (Percent is < 0 or > 100)
            yield return ("allowance.percent", "Give a percentage from 0 to 100.");
    }
}
