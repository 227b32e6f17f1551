namespace KiteLine.Core;

/// <summary>
/// The small difference that may be written off when a customer pays slightly less than due. Both bounds hold.
/// </summary>
/// <param name="Amount">The most that may be written off on one item, in major units of the base currency.</param>
/// <param name="Percent">The most as a percentage of the item's open amount.</param>
/// <param name="InOtherCurrencies">Amounts by ISO 4217 code for accounts in other currencies; what is missing is
/// converted.</param>
public sealed record ShortPayAllowance(
    decimal Amount,
    decimal Percent,
    IReadOnlyDictionary<string, decimal>? InOtherCurrencies = null
)
{
    /// <summary>No difference is written off.</summary>
    public static ShortPayAllowance None { get; } = new(0, 0);

    /// <summary>
    /// The allowance in a currency; none where that has no rate of the day, since a difference that cannot be judged is
    /// not small.
    /// </summary>
    public ShortPayAllowance In(Currency currency, DateOnly day, ExchangeRates rates)
    {
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(rates);
        if (ReferenceEquals(currency, rates.Base) || Amount == 0)
            return this;
        if (InOtherCurrencies is not null && InOtherCurrencies.TryGetValue(currency.Code, out var given))
            return this with { Amount = given };
        return rates.FromBase(Amount, currency, day) is { } converted ? this with { Amount = converted.Amount } : None;
    }

    /// <summary>Whether a difference, which may be zero, is small enough on an item with this open amount.</summary>
    public bool Allows(Money difference, Money open) =>
        difference.Minor >= 0 && difference.Amount <= Amount && difference.Amount <= open.Amount * Percent / 100;
}
