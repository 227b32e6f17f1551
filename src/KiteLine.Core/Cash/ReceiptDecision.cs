namespace KiteLine.Core;

/// <summary>What taking a payment comes to: how it settles the items, and the posting.</summary>
public sealed record ReceiptDecision(Payment Payment, Posting Posting)
{
    /// <summary>Decides on a payment for chosen items of an account.</summary>
    /// <param name="account">The account's currency.</param>
    /// <param name="open">The account's open items.</param>
    /// <param name="allowance">The company's, in its base currency.</param>
    /// <param name="authority">How far whoever takes it may go alone.</param>
    /// <exception cref="RefusedException">A field is wrong, an item is closed, or a decision lies above the
    /// authority.</exception>
    public static ReceiptDecision Of(
        PaymentRequest request,
        Currency account,
        IReadOnlyList<ItemDetail> open,
        ShortPayAllowance allowance,
        IReadOnlyList<PaymentMethod> methods,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(open);
        ArgumentNullException.ThrowIfNull(allowance);
        ArgumentNullException.ThrowIfNull(rules);
        // A value date in a closed period is fine: the receipt is posted today.
        if (request.ValueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"The value date is not after the business date, {Exactly.Day(rules.Today)}."
            );
        if (request.Cash <= 0)
            throw new RefusedException("cash", "Give the amount received, above zero.");
        if (!account.Fits(request.Cash))
            throw new RefusedException("cash", $"Give at most {account.Decimals} decimals for {account.Code}.");
        var method = methods.FirstOrDefault(m => m.Code == request.Method);
        if (method is null && request.Method.Length > 0)
            throw new RefusedException(
                "method",
                $"There is no payment method ‘{request.Method}’; choose one of {string.Join(", ", methods.Select(m => m.Code))}."
            );

        var details = open.ToDictionary(d => d.Item.Id);
        var payment = Payment.Of(
            Money.Exact(request.Cash, account),
            request.ValueDate,
            Chosen(request, details),
            allowance.In(account, request.ValueDate, rules.Rates),
            rules.Rounding
        );
        RefuseWithoutReason(request, payment);
        RefuseAboveAuthority(request, payment, authority, rules);
        var posting = ReceiptPosting.Of(
            payment,
            request.Reference.Trim(),
            item => details[item.Id].TaxShare,
            method,
            rules
        );
        return new(
            payment,
            request.Reason.Trim() is { Length: > 0 } reason ? posting with { Text = $"Receipt; {reason}" } : posting
        );
    }

    private static List<ChosenItem> Chosen(PaymentRequest request, Dictionary<long, ItemDetail> details)
    {
        var chosen = new List<ChosenItem>();
        foreach (var (id, choice) in request.Items)
        {
            if (!details.TryGetValue(id, out var detail) || detail.Item.Left.Minor <= 0)
                throw new RefusedException(
                    "items",
                    "One of the chosen items is closed or is no debit of this account; load the account again and "
                        + "choose among its open items."
                );
            if (
                choice is { Discount: DiscountChoice.Grant, Step: { } step }
                && detail.Item.Discounts.All(d => d.Deadline != step)
            )
                throw new RefusedException(
                    "items",
                    $"{detail.Item.Document} has no discount until {Exactly.Day(step)}; its terms name the deadlines."
                );
            chosen.Add(new(detail.Item, choice));
        }

        return chosen;
    }

    private static void RefuseWithoutReason(PaymentRequest request, Payment payment)
    {
        if (!string.IsNullOrWhiteSpace(request.Reason))
            return;
        if (payment.Lines.FirstOrDefault(l => Unearned(l, payment.ValueDate)) is { } line)
            throw new RefusedException(
                "reason",
                $"The discount of {line.Item.Document} is not earned; give the reason for allowing it."
            );
        if (request.Items.Values.Any(c => c.WriteOff == WriteOffChoice.Whole))
            throw new RefusedException("reason", "Give the reason for writing off more than the allowance.");
    }

    // Of each item: a discount that was not earned, and a write-off beyond the allowance.
    private static void RefuseAboveAuthority(
        PaymentRequest request,
        Payment payment,
        Authority authority,
        BooksRules rules
    )
    {
        foreach (var line in payment.Lines)
        {
            if (
                Unearned(line, payment.ValueDate)
                && !Authority.Covers(authority.Discount, line.Granted!.Amount, rules, "cash")
            )
                throw new RefusedException(
                    "items",
                    $"The unearned discount of {line.Granted.Amount} on {line.Item.Document} lies above your "
                        + $"authority; leave it open or ask somebody with more."
                );
            if (
                request.Items[line.Item.Id].WriteOff == WriteOffChoice.Whole
                && !Authority.Covers(authority.WriteOff, line.Settlement.WriteOff, rules, "cash")
            )
                throw new RefusedException(
                    "items",
                    $"Writing off {line.Settlement.WriteOff} on {line.Item.Document} lies above your authority; "
                        + $"leave it open or ask somebody with more."
                );
        }
    }

    private static bool Unearned(PaymentLine line, DateOnly valueDate) =>
        line.Granted is { } granted && granted.LastDay < valueDate;
}
