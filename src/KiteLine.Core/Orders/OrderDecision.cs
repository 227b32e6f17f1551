namespace KiteLine.Core;

/// <summary>
/// What somebody wants with an order, and whether it can be: every rule of it, before anything is written.
/// </summary>
public static class OrderDecision
{
    /// <summary>The longest number an order has.</summary>
    public const int LongestNumber = 40;

    /// <summary>Refuses an order that cannot be taken, before it is checked.</summary>
    /// <param name="known">Whether the account has an order of this number already.</param>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static void RefuseUnlessSound(
        string number,
        bool known,
        DateOnly date,
        Money total,
        Currency account,
        IReadOnlyList<OrderDelivery> deliveries,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(number);
        ArgumentNullException.ThrowIfNull(rules);
        TextBounds.Check("number", number);
        if (number.Length is 0 or > LongestNumber)
            throw new RefusedException("number", $"Give the order's number, up to {LongestNumber} characters.");
        if (known)
            throw new RefusedException("number", $"The account has an order ‘{number}’ already.");
        if (date > rules.Today)
            throw new RefusedException(
                "date",
                $"The order is dated on the business date, {Exactly.Day(rules.Today)}, or before."
            );
        RefuseAmounts(total, account, deliveries);
    }

    /// <summary>
    /// Refuses amounts that do not fit: another currency, nothing, or deliveries that add up to something else.
    /// </summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static void RefuseAmounts(Money total, Currency account, IReadOnlyList<OrderDelivery> deliveries)
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(deliveries);
        if (!ReferenceEquals(total.Currency, account))
            throw new RefusedException(
                "currency",
                $"The account is kept in {account.Code}; an order in {total.Currency.Code} goes on an account in that currency."
            );
        if (total.Minor <= 0)
            throw new RefusedException("total", "Give the order's total with tax, above zero.");
        if (!AmountText.Fits(total.Amount))
            throw new RefusedException("total", $"Give the order's total, at most {Exactly.Plain(Bounds.Amount)}.");
        if (deliveries.Count > Bounds.Deliveries)
            throw new RefusedException("deliveries", $"An order has up to {Bounds.Deliveries} deliveries.");
        if (deliveries.Any(d => d.Minor <= 0))
            throw new RefusedException("deliveries", "Each delivery has an amount above zero.");
        if (deliveries.Count > 0 && deliveries.Sum(d => d.Minor) is var sum && sum != total.Minor)
            throw new RefusedException(
                "deliveries",
                $"The deliveries add up to {Money.FromMinor(sum, account)}, the order is {total}."
            );
    }

    /// <summary>
    /// Whether an order goes on by its check: nothing stands against it, or only what a stated reason is enough for.
    /// </summary>
    public static bool Goes(CreditCheck check, string reason)
    {
        ArgumentNullException.ThrowIfNull(check);
        return check.Answer is null or CheckResponse.Tell
            || (check.Answer == CheckResponse.Ask && !string.IsNullOrWhiteSpace(reason));
    }

    /// <summary>Refuses to release what was refused without the authority for it.</summary>
    /// <param name="check">Of what the release adds.</param>
    /// <exception cref="RefusedException">The account would be further over its limit than the authority reaches, or
    /// that cannot be measured.</exception>
    public static void RefuseReleaseWithoutAuthority(CreditCheck check, Authority authority, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(check);
        ArgumentNullException.ThrowIfNull(authority);
        if (check.Answer != CheckResponse.Refuse)
            return;
        if (authority.Release == 0)
            throw new RefusedException("order", "You may not release what was refused; ask somebody with authority.");
        if (authority.Release is null)
            return;
        if (check.OverLimit is not { } over)
            throw new RefusedException(
                "order",
                $"{check.Findings.First(f => f is { Kind: CheckFinding.GroupOverLimit, Beyond: null }).Text}, so it "
                    + $"cannot be measured against your authority; bring the rates up to date first."
            );
        if (!authority.Covers(authority.Release, over, rules, "order"))
            throw new RefusedException(
                "amount",
                $"This goes over the limit by {over} {over.Currency.Code}, above your authority; release less or ask "
                    + $"somebody with more."
            );
    }

    /// <summary>Refuses to ask for a deposit where nothing is held, or for more than the order.</summary>
    /// <exception cref="RefusedException">Names the field that is wrong.</exception>
    public static void RefuseDeposit(OrderStep before, Money deposit, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(rules);
        if (before.Held(rules.Today) <= 0)
            throw new RefusedException("order", "Nothing of this order is held.");
        if (deposit.Minor <= 0 || deposit.Minor > before.Total)
            throw new RefusedException("amount", "A deposit is above zero and at most the order itself.");
    }
}
