namespace KiteLine.Core;

/// <summary>
/// How much one account may hold, so that whatever is added up of it fits into whole numbers of 64 bits of minor units.
/// </summary>
public static class AccountBounds
{
    /// <summary>In minor units: some twenty thousand documents of the largest amount.</summary>
    public const long Most = long.MaxValue / 4;

    /// <summary>
    /// The sizes of everything that was posted, ordered and granted, added up in minor units without regard to sides.
    /// </summary>
    public static Int128 Held(BookAccount account)
    {
        ArgumentNullException.ThrowIfNull(account);
        Int128 held = 0;
        foreach (ref readonly var movement in account.Movements.AsSpan())
            held += Size(movement.Minor);
        foreach (var order in account.Orders)
            held += order.Steps.Max(s => Size(s.Total));
        held += account.Limits.Select(l => Size(l.Amount.Minor)).DefaultIfEmpty().Max();
        foreach (var uplift in account.Uplifts)
            held += Size(uplift.Amount.Minor);
        return held;
    }

    /// <summary>
    /// Refuses what would make an account hold more. What leaves it as it was is not refused, wherever it stands.
    /// </summary>
    /// <param name="before">The account as it was; null where that is not known.</param>
    /// <exception cref="RefusedException">It would.</exception>
    public static void RefuseBeyond(BookAccount account, BookAccount? before = null)
    {
        var held = Held(account);
        if (held > Most && (before is null || held > Held(before)))
            throw new RefusedException("amount", Refusal(account.Code, account.Currency));
    }

    /// <summary>What is told where an account would hold more.</summary>
    public static string Refusal(string code, Currency currency)
    {
        ArgumentNullException.ThrowIfNull(currency);
        return $"With this, what was ever posted, ordered and granted on {code} would be more than an account can hold, "
            + $"which is {Money.FromMinor(Most, currency)} {currency.Code}.";
    }

    private static Int128 Size(long minor) => Int128.Abs(minor);
}
