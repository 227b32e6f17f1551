namespace KiteLine.Core;

/// <summary>Whether a limit or an uplift can be set, where it leads, and whether it takes a second person.</summary>
public static class LimitDecision
{
    /// <summary>The largest limit there is, in major units.</summary>
    public const decimal Largest = Bounds.Amount;

    /// <summary>A limit as money.</summary>
    /// <exception cref="RefusedException">Below zero, too large, or more decimals than the currency has.</exception>
    public static Money Amount(decimal amount, Currency currency, string field = "limit")
    {
        ArgumentNullException.ThrowIfNull(currency);
        if (amount < 0)
            throw new RefusedException(field, "A limit is zero or above.");
        if (amount > Largest)
            throw new RefusedException(field, "A limit is at most 1,000,000,000,000.");
        if (!currency.Fits(amount))
            throw new RefusedException(field, $"Give at most {currency.Decimals} decimals for {currency.Code}.");
        return Money.Exact(amount, currency);
    }

    /// <summary>Refuses what is wrong with a limit or an uplift, before anybody's authority is asked.</summary>
    /// <param name="uplifts">Those the account or the group has, ended ones too.</param>
    /// <exception cref="RefusedException">Names the field.</exception>
    public static void RefuseUnlessSound(LimitProposal proposal, IReadOnlyList<Uplift> uplifts, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(proposal);
        ArgumentNullException.ThrowIfNull(uplifts);
        ArgumentNullException.ThrowIfNull(rules);
        var p = proposal;
        Reason.Needed(p.Reason);
        rules.RefuseClosed(p.From, "from");
        if (p.Insured > p.Amount)
            throw new RefusedException("insured", "At most the whole limit is insured.");
        if (p.Until is not { } until)
        {
            if (p.Amount < 0)
                throw new RefusedException("amount", "A limit is zero or above.");
            if (p.ReviewOn < p.From)
                throw new RefusedException("reviewOn", "The review comes after the day from which the limit holds.");
            return;
        }

        if (p.Amount <= 0)
            throw new RefusedException("amount", "An uplift is above zero.");
        if (until < p.From)
            throw new RefusedException("until", "The uplift ends on or after the day it starts.");
        if (uplifts.FirstOrDefault(u => u.From <= until && u.LastDay >= p.From && u.LastDay >= u.From) is { } other)
            throw new RefusedException(
                "from",
                $"Another uplift holds from {Exactly.Day(other.From)} to {Exactly.Day(other.LastDay)}; choose other days."
            );
    }

    /// <summary>
    /// The highest effective limit that a proposal leads to on any day on which it holds: an uplift lies on every limit
    /// that comes into force before it ends, a limit bears every uplift until the next limit.
    /// </summary>
    /// <param name="limits">All changes of the limit, as they were recorded.</param>
    /// <param name="uplifts">All uplifts, ended ones too.</param>
    /// <param name="today">The business date: what is known.</param>
    public static Money Resulting(
        LimitProposal proposal,
        IReadOnlyList<LimitChange> limits,
        IReadOnlyList<Uplift> uplifts,
        Currency currency,
        DateOnly today
    ) => Money.FromMinor(Days(proposal, limits, uplifts, today).Max(d => d.After), currency);

    /// <summary>
    /// Whether somebody may set it alone. A lower limit takes no authority; what raises it on any day, or puts the day by
    /// which it is looked at again off, is measured by where it leads on that day: a limit whose review has lapsed may
    /// hold orders, and to go on with it is to grant it again.
    /// </summary>
    /// <exception cref="RefusedException">It cannot be measured for want of a rate.</exception>
    public static bool Within(
        LimitProposal proposal,
        IReadOnlyList<LimitChange> limits,
        IReadOnlyList<Uplift> uplifts,
        Currency currency,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        return Days(proposal, limits, uplifts, rules.Today)
            .Where(d => d.After > d.Before || d.IsPutOff)
            .All(d => authority.Covers(authority.Limit, Money.FromMinor(d.After, currency), rules, "amount"));
    }

    // The days on which what is in force changes while the proposal holds, with the effective limit before and after, and
    // whether its review comes later than it would have.
    private static IEnumerable<(long Before, long After, bool IsPutOff)> Days(
        LimitProposal proposal,
        IReadOnlyList<LimitChange> limits,
        IReadOnlyList<Uplift> uplifts,
        DateOnly today
    )
    {
        ArgumentNullException.ThrowIfNull(proposal);
        ArgumentNullException.ThrowIfNull(limits);
        ArgumentNullException.ThrowIfNull(uplifts);
        var last =
            proposal.Until
            ?? limits
                .Where(l => l.From > proposal.From)
                .Select(l => l.From.AddDays(-1))
                .DefaultIfEmpty(DateOnly.MaxValue)
                .Min();
        return limits
            .Select(l => l.From)
            .Concat(uplifts.Select(u => u.From))
            .Where(day => day > proposal.From && day <= last)
            .Append(proposal.From)
            .Distinct()
            .Select(day =>
            {
                var standing = LimitStanding.On(limits, uplifts, day, today);
                return (
                    standing.Effective,
                    proposal.IsUplift ? standing.Effective + proposal.Amount : proposal.Amount + standing.Uplift,
                    !proposal.IsUplift && IsLater(proposal.ReviewOn, standing.Change?.ReviewOn)
                );
            });
    }

    // Never is later than any day.
    private static bool IsLater(DateOnly? review, DateOnly? standing) =>
        standing is { } before && (review is not { } after || after > before);

    /// <summary>
    /// The day by which a limit is to be looked at again: as given, else after the company's months; null for never.
    /// </summary>
    public static DateOnly? ReviewOn(DateOnly? given, DateOnly from, int months) =>
        given ?? (months > 0 ? from.AddMonths(months) : null);
}
