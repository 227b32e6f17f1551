using System.Text.Json.Serialization;

namespace KiteLine.Core;

/// <summary>
/// How far a user may go alone. Amounts are in major units of the company's base currency; null is without bound, 0 is
/// not at all.
/// </summary>
/// <param name="Limit">The highest limit, uplifts included, that the user may grant.</param>
/// <param name="Release">By how much an order the user releases may take an account over its limit.</param>
/// <param name="Discount">The largest unearned discount that the user may allow on one item.</param>
/// <param name="WriteOff">The largest amount above the short-pay allowance that the user may write off on one
/// item.</param>
public sealed record Authority(decimal? Limit, decimal? Release, decimal? Discount, decimal? WriteOff)
{
    /// <summary>Bound by nothing, as the program itself is when it sets up books.</summary>
    public static Authority Unbounded { get; } = new(null, null, null, null);

    /// <summary>May do nothing that needs authority.</summary>
    public static Authority None { get; } = new(0, 0, 0, 0);

    /// <summary>True when an amount in the base currency lies within a bound.</summary>
    public static bool Covers(decimal? bound, decimal amount) => bound is not { } most || amount <= most;

    /// <summary>
    /// Who has it, as what somebody did is compared by: rates that the holder set on the day do not measure what the
    /// holder does. It is no part of what is kept.
    /// </summary>
    [JsonIgnore]
    public string Holder { get; init; } = "";

    /// <summary>
    /// Whether an amount lies within one of the bounds, which are kept in the base currency. Where the holder set its rate
    /// on the business date, the stricter of that and of what stood before counts.
    /// </summary>
    /// <param name="field">The field that is refused where the amount's currency has no rate of the day.</param>
    /// <exception cref="RefusedException">The amount cannot be measured for want of a rate, or of one that somebody else
    /// set.</exception>
    public bool Covers(decimal? bound, Money amount, BooksRules rules, string field) =>
        Covers(bound, [amount], rules, field);

    /// <summary>The same for amounts in any currencies, added up.</summary>
    /// <exception cref="RefusedException">One of them cannot be measured.</exception>
    public bool Covers(decimal? bound, IReadOnlyCollection<Money> amounts, BooksRules rules, string field)
    {
        ArgumentNullException.ThrowIfNull(amounts);
        ArgumentNullException.ThrowIfNull(rules);
        if (bound is null || amounts.All(a => a.Minor <= 0))
            return true;
        return bound != 0 && Covers(bound, amounts.Sum(a => Measured(a, rules, field)));
    }

    // In major units of the base currency.
    private decimal Measured(Money amount, BooksRules rules, string field)
    {
        if (ReferenceEquals(amount.Currency, rules.Rates.Base))
            return amount.Amount;
        if (rules.Rates.Convert(amount, rules.Rates.Base, rules.Today) is not { } converted)
            throw new RefusedException(
                field,
                $"There is no rate of {amount.Currency.Code} for {Exactly.Day(rules.Today)} to measure your "
                    + $"authority by; bring the rates up to date first."
            );
        var before = rules.Rates.Without(Holder, rules.Today);
        if (ReferenceEquals(before, rules.Rates))
            return converted.Amount;
        return before.Convert(amount, before.Base, rules.Today) is { } former
            ? decimal.Max(converted.Amount, former.Amount)
            : throw new RefusedException(
                field,
                $"You set the only rate of {amount.Currency.Code} for {Exactly.Day(rules.Today)} yourself, and it does not "
                    + "measure your own authority; ask somebody else to do this or to set the rate."
            );
    }

    /// <summary>What is wrong, as field and sentence; empty when it can be stored.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        foreach (
            var (field, amount) in new[]
            {
                ("limit", Limit),
                ("release", Release),
                ("discount", Discount),
                ("writeOff", WriteOff),
            }
        )
            if (amount is < 0 or > Bounds.Amount)
                yield return (
                    $"authority.{field}",
                    "An authority is 0 or an amount above it; leave it empty for one without bound."
                );
    }
}
