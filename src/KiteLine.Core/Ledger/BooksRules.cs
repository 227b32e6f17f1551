namespace KiteLine.Core;

/// <summary>
/// What a company decides once for all its books and every computation needs. It is one value that cannot be left out,
/// so that no figure is ever worked out by other rules than those it is posted by.
/// </summary>
/// <param name="Today">The business date. It is never read from a clock inside the core.</param>
/// <param name="Rounding">How an exact amount becomes a whole number of minor units.</param>
/// <param name="Calendar">The days on which the company works.</param>
/// <param name="AdjustTaxOnDiscount">Whether a settlement discount reduces output tax by its share.</param>
/// <param name="ClosedThrough">Nothing is posted on or before this date; null while no period is closed.</param>
/// <param name="Rates">Rates between currencies; amounts in policies are stated in their base currency.</param>
public sealed record BooksRules(
    DateOnly Today,
    RoundingRule Rounding,
    BusinessCalendar Calendar,
    bool AdjustTaxOnDiscount,
    DateOnly? ClosedThrough,
    ExchangeRates Rates
)
{
    /// <summary>Rounds an exact amount in major units once.</summary>
    public Money Round(decimal exact, Currency currency) => Money.Round(exact, currency, Rounding);

    /// <summary>Refuses a posting that would be dated in a closed period.</summary>
    /// <param name="field">The field that gives the date.</param>
    /// <exception cref="RefusedException">The date is on or before the closed-through date.</exception>
    public void RefuseClosed(DateOnly date, string field)
    {
        if (ClosedThrough is { } closed && date <= closed)
            throw new RefusedException(
                field,
                $"The books are closed through {Exactly.Day(closed)}; choose a later date."
            );
    }
}
