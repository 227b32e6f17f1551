namespace KiteLine.Core;

/// <summary>How one receipt settles one item: <c>Cash + Discount + WriteOff + StaysOpen = open amount</c>.</summary>
/// <param name="Cash">The part of the cash that is set against the item.</param>
/// <param name="OnAccount">Cash that is left over.</param>
public sealed record ItemSettlement(
    Money Cash,
    Money Discount,
    Money WriteOff,
    Money StaysOpen,
    Money OnAccount,
    IReadOnlyList<ReceiptFinding> Findings
)
{
    /// <summary>
    /// Settles an item. The discount in force (the largest whose last day has not passed) is used when cash, discount
    /// and a difference within the allowance settle the item. Of cash between the discounted and the full amount only
    /// the discount that was deducted is taken. Otherwise nothing is written off and the cash settles what it can; it
    /// earns its share of the discount where the terms let part payments do so, else none.
    /// </summary>
    /// <param name="cash">What was received, above zero.</param>
    /// <param name="open">What is open, above zero.</param>
    /// <param name="discounts">The discounts the item offers, passed or not.</param>
    /// <param name="valueDate">The day the cash has value.</param>
    /// <param name="allowance">In the item's currency.</param>
    /// <param name="partPayments">Whether a part payment earns its share: cash <c>c</c> settles <c>c × open / (open −
    /// discount)</c>,
    /// which for a discount of rate <c>d</c> on all that is open is <c>c / (1 − d)</c>.</param>
    public static ItemSettlement Of(
        Money cash,
        Money open,
        IReadOnlyList<ItemDiscount> discounts,
        DateOnly valueDate,
        ShortPayAllowance allowance,
        RoundingRule rounding,
        bool partPayments = false
    )
    {
        ArgumentNullException.ThrowIfNull(discounts);
        ArgumentNullException.ThrowIfNull(allowance);
        var zero = Money.Zero(cash.Currency);
        var best = discounts.Where(d => d.LastDay >= valueDate).Select(d => d.Amount).Append(zero).Max();
        var discount = Money.Min(best, open);
        if (cash >= open)
            return Paid(cash, open, discount);

        var shortfall = open - cash;
        if (shortfall <= discount)
            return new(
                cash,
                shortfall,
                zero,
                zero,
                zero,
                shortfall < discount ? [new ReceiptFinding.DiscountPartlyTaken(discount - shortfall)] : []
            );

        var difference = shortfall - discount;
        if (allowance.Allows(difference, open))
            return new(cash, discount, difference, zero, zero, []);

        if (partPayments && discount > zero)
        {
            // The cash is less than open less discount here, so its share is less than the whole discount.
            var share = Money.Round(cash.Amount * discount.Amount / (open - discount).Amount, cash.Currency, rounding);
            return new(cash, share, zero, shortfall - share, zero, [new ReceiptFinding.Short(shortfall - share)]);
        }

        var unearned = discounts.Where(d => d.LastDay < valueDate && d.Amount == shortfall).MaxBy(d => d.LastDay);
        ReceiptFinding finding = unearned is null
            ? new ReceiptFinding.Short(shortfall)
            : new ReceiptFinding.DiscountUnearned(
                valueDate.DayNumber - unearned.LastDay.DayNumber,
                unearned.Amount,
                unearned.Deadline
            );
        return new(cash, zero, zero, shortfall, zero, [finding]);
    }

    /// <summary>
    /// Settles an item with a discount that was granted: it is given in full whatever the cash. What is then short is
    /// written off within the allowance, or stays open; what is over is left.
    /// </summary>
    /// <param name="cash">What was received, zero or above.</param>
    /// <param name="granted">Above zero and at most what is open.</param>
    public static ItemSettlement Granted(Money cash, Money open, Money granted, ShortPayAllowance allowance)
    {
        ArgumentNullException.ThrowIfNull(allowance);
        var zero = Money.Zero(cash.Currency);
        var need = open - granted;
        if (cash >= need)
            return new(
                need,
                granted,
                zero,
                zero,
                cash - need,
                cash > need ? [new ReceiptFinding.Over(cash - need)] : []
            );
        var difference = need - cash;
        return allowance.Allows(difference, open)
            ? new(cash, granted, difference, zero, zero, [])
            : new(cash, granted, zero, difference, zero, [new ReceiptFinding.Short(difference)]);
    }

    /// <summary>
    /// The same with the rest written off by decision. Inside its window the discount takes its part of it first.
    /// </summary>
    /// <param name="inForce">The discount in force, or nothing.</param>
    internal ItemSettlement WithRestWrittenOff(Money inForce)
    {
        if (StaysOpen.IsZero)
            return this;
        var taken = Discount.IsZero ? Money.Min(inForce, StaysOpen) : Money.Zero(Cash.Currency);
        return this with
        {
            Discount = Discount + taken,
            WriteOff = WriteOff + StaysOpen - taken,
            StaysOpen = Money.Zero(Cash.Currency),
            Findings = [.. Findings.Where(f => f is not (ReceiptFinding.Short or ReceiptFinding.DiscountUnearned))],
        };
    }

    private static ItemSettlement Paid(Money cash, Money open, Money discount)
    {
        var zero = Money.Zero(cash.Currency);
        var findings = new List<ReceiptFinding>();
        if (discount > zero)
            findings.Add(new ReceiptFinding.DiscountNotTaken(discount));
        if (cash > open)
            findings.Add(new ReceiptFinding.Over(cash - open));
        return new(open, zero, zero, zero, cash - open, findings);
    }

    /// <summary>The derivation as lines.</summary>
    public IReadOnlyList<Working> Workings(Money received, Money open)
    {
        var partly = Findings.OfType<ReceiptFinding.DiscountPartlyTaken>().FirstOrDefault();
        var lines = new List<Working>
        {
            new("Received", "the bank's amount", $"{received}"),
            new(
                "Cash on the item",
                OnAccount.IsZero ? "all that was received" : $"{received} − {OnAccount} left over",
                $"{Cash}"
            ),
            new(
                "Discount",
                Discount.IsZero ? "none in force is used"
                    : partly is not null ? $"only what was deducted; {partly.Rest} more was in force"
                    : StaysOpen.IsZero ? "the largest in force on the value date"
                    : "the share of it that the part payment earns",
                $"{Discount}"
            ),
            new(
                "Written off",
                WriteOff.IsZero ? "nothing" : "within the short-pay allowance, by amount and by percent",
                $"{WriteOff}"
            ),
            new("Stays open", $"{open} − {Cash} − {Discount} − {WriteOff}", $"{StaysOpen}"),
        };
        if (!OnAccount.IsZero)
            lines.Add(new("On account", $"{received} − {Cash}", $"{OnAccount}"));
        return lines;
    }
}
