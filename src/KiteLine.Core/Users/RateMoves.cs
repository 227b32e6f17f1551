namespace KiteLine.Core;

/// <summary>How far a rate of exchange may be moved by whom: every measure in another currency goes by it.</summary>
public static class RateMoves
{
    /// <summary>How far a rate may lie from the former one without a manager, in percent of that.</summary>
    public const decimal MostPercent = 10;

    /// <summary>
    /// Refuses a rate that lies further from the former one than <see cref="MostPercent"/>, and the first of a currency, to
    /// who is no manager.
    /// </summary>
    /// <param name="former">What it is compared with; null where there is none.</param>
    /// <param name="at">Where its fields stand in what was sent.</param>
    /// <exception cref="RefusedException">A manager has to set it.</exception>
    public static void RefuseUnlessNear(ExchangeRate rate, ExchangeRate? former, string at, Role role)
    {
        ArgumentNullException.ThrowIfNull(rate);
        if (role >= Role.Manager)
            return;
        var code = rate.Currency.Code;
        if (former is null)
            throw new RefusedException($"{at}.rate", $"A manager sets the first rate of {code}; ask one.");
        if (Math.Abs(rate.Rate - former.Rate) * 100 > former.Rate * MostPercent)
            throw new RefusedException(
                $"{at}.rate",
                $"{Exactly.Plain(rate.Rate)} for {code} is more than {MostPercent} % away from {Exactly.Plain(former.Rate)} of "
                    + $"{Exactly.Day(former.On)}; look at it again, or ask a manager to set it."
            );
    }
}
