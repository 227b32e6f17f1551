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

    /// <summary>Whether an amount lies within one of the bounds, which are kept in the base currency.</summary>
    /// <param name="field">The field that is refused where the amount's currency has no rate of the day.</param>
    /// <exception cref="RefusedException">The amount cannot be measured for want of a rate.</exception>
    public static bool Covers(decimal? bound, Money amount, BooksRules rules, string field)
    {
        ArgumentNullException.ThrowIfNull(rules);
        if (bound is null || amount.Minor <= 0)
            return true;
        if (ReferenceEquals(amount.Currency, rules.Rates.Base))
            return Covers(bound, amount.Amount);
        if (bound == 0)
            return false;
        return rules.Rates.Convert(amount, rules.Rates.Base, rules.Today) is { } converted
            ? Covers(bound, converted.Amount)
            : throw new RefusedException(
                field,
                $"There is no rate of {amount.Currency.Code} for {Exactly.Day(rules.Today)} to measure your "
                    + $"authority by; bring the rates up to date first."
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
