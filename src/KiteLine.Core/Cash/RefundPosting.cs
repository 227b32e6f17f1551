namespace KiteLine.Core;

/// <summary>
/// Posting of money that is paid back. The refund is a debit item that credits of the account settle at once; the money
/// stands in refunds in transit until the bank has booked it.
/// </summary>
public static class RefundPosting
{
    /// <summary>Characters of a name that banks carry over (ISO 20022, Max70Text of older versions).</summary>
    public const int MostHolder = 70;

    /// <summary>Characters of what the receiver reads (ISO 20022, Max140Text).</summary>
    public const int MostReference = 140;

    /// <summary>Takes the amount from the chosen credits, the oldest first.</summary>
    /// <param name="credits">The chosen items, each of the account.</param>
    /// <param name="before">What was paid back of them before.</param>
    /// <exception cref="RefusedException">A field is wrong, or the amount lies above the authority to write off: what is paid
    /// out is gone like what is written off.</exception>
    public static Posting Of(
        RefundRequest request,
        IReadOnlyList<Item> credits,
        Money before,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(credits);
        ArgumentNullException.ThrowIfNull(authority);
        ArgumentNullException.ThrowIfNull(rules);
        Reason.Needed(request.Reason);
        RefusedException.ThrowIfAny([.. Problems(request, credits, rules)]);
        // Measured with what was paid back of these credits before, so that no sum goes out in small parts.
        if (!authority.Covers(authority.WriteOff, before + request.Amount, rules, "amount"))
            throw new RefusedException(
                "amount",
                $"Paying back {request.Amount}{(before.IsZero ? "" : $", {before + request.Amount} in all")}, lies above your "
                    + "authority; ask somebody with more."
            );
        var zero = Money.Zero(request.Amount.Currency);
        var (left, onAccount) = (request.Amount, zero);
        var allocations = new List<NewAllocation>();
        foreach (var credit in credits.OrderBy(c => c.Date).ThenBy(c => c.Id).TakeWhile(_ => left.Minor > 0))
        {
            var taken = Money.Min(-credit.Left, left);
            left -= taken;
            if (credit.Kind == ItemKind.Receipt)
                onAccount += taken;
            allocations.Add(new(credit.Id, null, Allocation.KindOf(credit.Kind), rules.Today, taken, zero, zero));
        }

        return new Posting
        {
            Kind = PostingKind.Refund,
            PostingDate = rules.Today,
            Text = $"Refund: {request.Reason.Trim()}",
            Documents =
            [
                new()
                {
                    Kind = ItemKind.Refund,
                    Date = rules.Today,
                    Net = request.Amount,
                    Tax = zero,
                    NotDiscountable = zero,
                    Reference = request.Reference.Trim(),
                    Items = [new(1, rules.Today, [new(MovementKind.Opened, rules.Today, request.Amount)])],
                },
            ],
            Allocations = allocations,
            Lines = Posting.Journal(
                (PostingPurpose.CashOnAccount, onAccount),
                (PostingPurpose.Receivables, request.Amount - onAccount),
                (PostingPurpose.RefundsInTransit, -request.Amount)
            ),
        }.Checked();
    }

    private static IEnumerable<(string, string)> Problems(
        RefundRequest request,
        IReadOnlyList<Item> credits,
        BooksRules rules
    )
    {
        if (BankAccountNumber.TryRead(request.BankAccount, out _) is { } wrong)
            yield return ("bankAccount", wrong);
        if (request.Holder.Trim().Length is 0 or > MostHolder)
            yield return ("holder", $"Give the name of whom it goes to, of up to {MostHolder} characters.");
        if (request.Reference.Trim().Length > MostReference)
            yield return ("reference", $"Give at most {MostReference} characters.");
        if (credits.Count == 0)
        {
            yield return ("credits", "Choose at least one credit of the account.");
            yield break;
        }

        if (credits.FirstOrDefault(c => c.Left.Minor >= 0) is { } spent)
        {
            yield return ("credits", $"Nothing is left of {spent.Document}; choose a credit that is open.");
            yield break;
        }

        if (credits.FirstOrDefault(c => c.Date > rules.Today) is { } later)
            yield return (
                "credits",
                $"{later.Document} is dated after the business date; pay it back from that day on."
            );
        var most = credits.Aggregate(Money.Zero(request.Amount.Currency), (sum, c) => sum - c.Left);
        if (request.Amount.Minor <= 0 || request.Amount > most)
            yield return ("amount", $"Give an amount above zero and at most {most}, which is what is left.");
    }
}
