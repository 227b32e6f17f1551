namespace KiteLine.Core;

/// <summary>The short-pay allowance that holds for an account.</summary>
public static class AllowanceOfAccount
{
    /// <summary>What holds for the account.</summary>
    /// <param name="company">The company's, in the account's currency.</param>
    public static ShortPayAllowance Of(AccountAllowance account, ShortPayAllowance company)
    {
        ArgumentNullException.ThrowIfNull(account);
        return account.Choice switch
        {
            AllowanceChoice.Company => company,
            AllowanceChoice.Own => new(account.Amount, account.Percent),
            AllowanceChoice.Barred => ShortPayAllowance.None,
            _ => throw new ArgumentOutOfRangeException(nameof(account), account.Choice, null),
        };
    }

    /// <summary>
    /// Refuses what writes off more than before beyond the authority to write off. A bar is lifted by a manager, whatever
    /// the authority, since it holds against every authority.
    /// </summary>
    /// <param name="company">The company's, in the account's currency.</param>
    /// <exception cref="RefusedException">It lies above the authority, or the bar is not for this role to lift.</exception>
    public static void RefuseWithoutAuthority(
        AccountAllowance before,
        AccountAllowance after,
        ShortPayAllowance company,
        Currency currency,
        Role role,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        if (before.Choice == AllowanceChoice.Barred && after.Choice != AllowanceChoice.Barred && role < Role.Manager)
            throw new RefusedException(
                "allowance.choice",
                "A manager lifts the bar from writing off; leave it, or ask a manager."
            );
        var (was, now) = (Of(before, company), Of(after, company));
        if (
            (now.Amount > was.Amount || now.Percent > was.Percent)
            && !authority.Covers(authority.WriteOff, rules.Round(now.Amount, currency), rules, "allowance.amount")
        )
            throw new RefusedException(
                "allowance.amount",
                "Writing off as much lies above your authority; ask somebody with more."
            );
    }
}
