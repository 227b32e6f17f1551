namespace KiteLine.Core;

/// <summary>What taking a payment comes to: how it settles the items, and the posting.</summary>
/// <param name="Disputed">Items of which what stays open becomes a dispute.</param>
public sealed record ReceiptDecision(
    Payment Payment,
    Posting Posting,
    IReadOnlyList<(Item Item, Money Amount)> Disputed
)
{
    /// <summary>The reminder that it pays in full, with what is raised before it; null for none.</summary>
    public LetterPaid? Letter { get; init; }

    /// <summary>All that is posted, in its order: what a reminder showed beyond its items, then the payment.</summary>
    public IEnumerable<Posting> Postings => [.. Letter?.Raised.Select(r => r.Posting) ?? [], Posting];

    /// <summary>The journal of all of it.</summary>
    public IReadOnlyList<JournalLine> Lines => [.. Postings.SelectMany(p => p.Lines)];

    /// <summary>The payment's posting once what was raised before it has its identifiers.</summary>
    /// <param name="raised">By the identifier that it was known by till then.</param>
    public Posting With(IReadOnlyDictionary<long, long> raised)
    {
        ArgumentNullException.ThrowIfNull(raised);
        return Posting with
        {
            Allocations =
            [
                .. Posting.Allocations.Select(a =>
                    a.Debit is { } debit && raised.TryGetValue(debit, out var id) ? a with { Debit = id } : a
                ),
            ],
        };
    }

    /// <summary>Decides on a payment that is taken by hand for chosen items of an account.</summary>
    /// <param name="authority">How far whoever takes it may go alone.</param>
    /// <exception cref="RefusedException">A field is wrong, an item is closed, or a decision lies above the
    /// authority.</exception>
    public static ReceiptDecision Of(
        PaymentRequest request,
        ReceiptTarget account,
        IReadOnlyList<PaymentMethod> methods,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        // A value date in a closed period is fine: the receipt is posted today.
        if (request.ValueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"The value date is not after the business date, {Exactly.Day(rules.Today)}."
            );
        if (request.Cash <= 0)
            throw new RefusedException("cash", "Give the amount received, above zero.");
        if (!account.Currency.Fits(request.Cash))
            throw new RefusedException(
                "cash",
                $"Give at most {account.Currency.Decimals} decimals for {account.Currency.Code}."
            );
        var method = methods.FirstOrDefault(m => m.Code == request.Method);
        if (method is null && request.Method.Length > 0)
            throw new RefusedException(
                "method",
                $"There is no payment method ‘{request.Method}’; choose one of {string.Join(", ", methods.Select(m => m.Code))}."
            );

        var cash = Money.Exact(request.Cash, account.Currency);
        var chosen = Chosen(request.Items, account);
        var letter =
            request.Filled || request.KeepOver ? null : PaidInFull(cash, request.ValueDate, chosen, account, rules);
        var payment = Payment.Of(
            cash,
            Money.Zero(cash.Currency),
            request.ValueDate,
            With(letter, chosen),
            account.Allowance,
            rules.Rounding,
            request.Filled
        );
        return Decided(
            payment,
            letter,
            ReceiptOrigin.ByHand(request.Reference, method, request.ValueDate),
            request.Items,
            request.Reason,
            account,
            authority,
            rules
        );
    }

    /// <summary>Decides on money that came in without anybody taking it: on a statement, or not assigned till now.</summary>
    /// <param name="chosen">The items it settles with the decisions on each; null for what is proposed.</param>
    /// <param name="reason">Needed for the same decisions as in a payment taken by hand.</param>
    /// <param name="filled">Whether the chosen items are still those that were proposed as the oldest.</param>
    /// <param name="keepOver">Whether what is paid beyond the items stays on account, also where a reminder showed it.</param>
    /// <exception cref="RefusedException">A field is wrong, an item is closed, or a decision lies above the
    /// authority.</exception>
    public static ReceiptDecision Of(
        IncomingMoney money,
        IReadOnlyDictionary<long, PaymentChoice>? chosen,
        string reason,
        ReceiptTarget account,
        Authority authority,
        BooksRules rules,
        bool filled = false,
        bool keepOver = false
    )
    {
        ArgumentNullException.ThrowIfNull(money);
        ArgumentNullException.ThrowIfNull(reason);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        if (!ReferenceEquals(money.Amount.Currency, account.Currency))
            throw new RefusedException(
                "account",
                $"The account is kept in {account.Currency.Code}, the money came in {money.Amount.Currency.Code}; choose "
                    + $"an account in {money.Amount.Currency.Code}."
            );
        if (money.ValueDate > rules.Today)
            throw new RefusedException(
                "valueDate",
                $"It has value on {Exactly.Day(money.ValueDate)} only, after the business date, "
                    + $"{Exactly.Day(rules.Today)}; post it on that day."
            );
        var chosenItems = chosen;
        if (chosenItems is null)
        {
            var proposal = account.Propose(money, rules.Rounding);
            chosenItems = proposal.Chosen.ToDictionary(i => i.ItemId, _ => new PaymentChoice());
            filled = proposal.Filled;
        }

        var items = Chosen(chosenItems, account);
        var letter = filled || keepOver ? null : PaidInFull(money.Paid, money.ValueDate, items, account, rules);
        var payment = Payment.Of(
            money.Amount,
            money.Charges,
            money.ValueDate,
            With(letter, items),
            account.Allowance,
            rules.Rounding,
            filled
        );
        return Decided(payment, letter, money.Origin, chosenItems, reason, account, authority, rules);
    }

    // A letter is paid in full only where nothing was decided on its items otherwise.
    private static LetterPaid? PaidInFull(
        Money paid,
        DateOnly valueDate,
        List<ChosenItem> chosen,
        ReceiptTarget account,
        BooksRules rules
    ) =>
        chosen.All(c => c.Choice == new PaymentChoice())
        && AskedLetter.PaidBy(
            paid,
            valueDate,
            [.. chosen.Select(c => (c.Item.Id, c.Item.NeedOn(valueDate, rules.Rounding)))],
            account.Letters,
            rules.Rounding
        )
            is { } letter
            ? LetterPaid.Of(letter, valueDate, account.Policy, account.ChargeTax, rules)
            : null;

    private static IEnumerable<ChosenItem> With(LetterPaid? letter, List<ChosenItem> chosen) =>
        letter is null ? chosen : chosen.Concat(letter.Items.Select(i => new ChosenItem(i)));

    private static ReceiptDecision Decided(
        Payment payment,
        LetterPaid? letter,
        ReceiptOrigin origin,
        IReadOnlyDictionary<long, PaymentChoice> choices,
        string reason,
        ReceiptTarget account,
        Authority authority,
        BooksRules rules
    )
    {
        RefuseWithoutReason(choices, reason, payment);
        if (account.Barred && payment.Lines.Any(l => Whole(choices, l) && !l.Settlement.WriteOff.IsZero))
            throw new RefusedException("items", WriteOffPosting.Barred);
        RefuseAboveAuthority(choices, payment, authority, rules);
        var details = account.Open.ToDictionary(d => d.Item.Id);
        var posting = ReceiptPosting.Of(
            payment,
            origin,
            (item, discount) =>
                details.TryGetValue(item.Id, out var detail)
                    ? detail.Amounts.TaxOf(discount, rules.Rounding)
                    : Money.Zero(discount.Currency),
            rules
        );
        return new(
            payment,
            reason.Trim() is { Length: > 0 } given ? posting with { Text = $"{posting.Text}; {given}" } : posting,
            [
                .. payment
                    .Lines.Where(l =>
                        choices.GetValueOrDefault(l.Item.Id) is { Dispute: true } && !l.Settlement.StaysOpen.IsZero
                    )
                    .Select(l => (l.Item, l.Settlement.StaysOpen)),
            ]
        )
        {
            Letter = letter,
        };
    }

    private static List<ChosenItem> Chosen(IReadOnlyDictionary<long, PaymentChoice> choices, ReceiptTarget account)
    {
        var details = account.Open.ToDictionary(d => d.Item.Id);
        var chosen = new List<ChosenItem>();
        foreach (var (id, choice) in choices)
        {
            if (!details.TryGetValue(id, out var detail) || detail.Item.Left.IsZero)
                throw new RefusedException(
                    "items",
                    "One of the chosen items is closed or is none of this account; load the account again and "
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

    private static void RefuseWithoutReason(
        IReadOnlyDictionary<long, PaymentChoice> choices,
        string reason,
        Payment payment
    )
    {
        if (!string.IsNullOrWhiteSpace(reason))
            return;
        if (payment.Lines.FirstOrDefault(l => Unearned(l, payment.ValueDate)) is { } line)
            throw new RefusedException(
                "reason",
                $"The discount of {line.Item.Document} is not earned; give the reason for allowing it."
            );
        if (choices.Values.Any(c => c.Dispute))
            throw new RefusedException("reason", "Give the reason of the dispute, as the customer says it.");
        if (choices.Values.Any(c => c.WriteOff == WriteOffChoice.Whole))
            throw new RefusedException("reason", "Give the reason for writing off more than the allowance.");
    }

    // Of each item: a discount that was not earned, and a write-off beyond the allowance.
    private static void RefuseAboveAuthority(
        IReadOnlyDictionary<long, PaymentChoice> choices,
        Payment payment,
        Authority authority,
        BooksRules rules
    )
    {
        foreach (var line in payment.Lines)
        {
            if (
                Unearned(line, payment.ValueDate)
                && !authority.Covers(authority.Discount, line.Granted!.Amount, rules, "cash")
            )
                throw new RefusedException(
                    "items",
                    $"The unearned discount of {line.Granted.Amount} on {line.Item.Document} lies above your "
                        + $"authority; leave it open or ask somebody with more."
                );
            if (Whole(choices, line) && !authority.Covers(authority.WriteOff, line.Settlement.WriteOff, rules, "cash"))
                throw new RefusedException(
                    "items",
                    $"Writing off {line.Settlement.WriteOff} on {line.Item.Document} lies above your authority; "
                        + $"leave it open or ask somebody with more."
                );
        }
    }

    private static bool Whole(IReadOnlyDictionary<long, PaymentChoice> choices, PaymentLine line) =>
        choices.GetValueOrDefault(line.Item.Id)?.WriteOff == WriteOffChoice.Whole;

    private static bool Unearned(PaymentLine line, DateOnly valueDate) =>
        line.Granted is { } granted && (granted.LastDay < valueDate || valueDate < line.Item.Date);
}
