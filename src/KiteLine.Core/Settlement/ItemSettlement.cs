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
    /// Settles an item with cash, judged by what was owed on the value date. The discount in force is used when cash,
    /// discount and a difference within the allowance settle the item. Of cash between the discounted and the full amount
    /// only the discount that was deducted is taken. Otherwise nothing is written off and the cash settles what it can;
    /// where the terms let part payments earn their share, cash <c>c</c> settles <c>c × owed / (owed − discount)</c>, which
    /// for a discount of rate <c>d</c> is <c>c / (1 − d)</c>, the share rounded once. No more is settled than is open today:
    /// what discount and allowance settle comes first, and the cash that is not needed then is left over.
    /// </summary>
    /// <param name="cash">What was received, above zero.</param>
    /// <param name="need">Of an item with something open, above zero.</param>
    /// <param name="allowance">In the item's currency.</param>
    public static ItemSettlement Of(Money cash, ItemNeed need, ShortPayAllowance allowance, RoundingRule rounding)
    {
        ArgumentNullException.ThrowIfNull(need);
        ArgumentNullException.ThrowIfNull(allowance);
        var (zero, owed, discount) = (Money.Zero(cash.Currency), need.Owed, need.Discount);
        // No more of it can be given than is open today.
        var most = Money.Min(discount, need.Open);
        if (cash >= owed)
            return Parts(need, cash, zero, zero, most > zero ? [new ReceiptFinding.DiscountNotTaken(most)] : []);

        var shortfall = owed - cash;
        if (shortfall <= discount)
            return Parts(
                need,
                cash,
                shortfall,
                zero,
                shortfall < most ? [new ReceiptFinding.DiscountPartlyTaken(most - shortfall)] : []
            );

        var difference = shortfall - discount;
        if (allowance.Allows(difference, owed))
            return Parts(need, cash, discount, difference, []);
        if (need.PartPayments && discount > zero)
            return Parts(need, cash, Share(cash, discount, owed, rounding), zero, []);
        return Parts(
            need,
            cash,
            zero,
            zero,
            need.Ended(shortfall) is { } ended
                ?
                [
                    new ReceiptFinding.DiscountUnearned(
                        need.ValueDate.DayNumber - ended.LastDay.DayNumber,
                        ended.Amount,
                        ended.Deadline
                    ),
                ]
                : []
        );
    }

    /// <summary>
    /// What of a discount a part payment earns: <c>cash × discount / (owed − discount)</c>, rounded once; 4,900 of 5,000 at
    /// 2 % earn all of the 100 (textbook treatment of a part payment inside the window, from memory).
    /// </summary>
    /// <param name="cash">Less than what is owed less the discount.</param>
    internal static Money Share(Money cash, Money discount, Money owed, RoundingRule rounding) =>
        Money.Round(cash.Amount * discount.Amount / (owed - discount).Amount, cash.Currency, rounding);

    /// <summary>Settles an item that a match of several items closes, with its discount or without.</summary>
    internal static ItemSettlement Whole(ItemNeed need, bool discounted)
    {
        var zero = Money.Zero(need.Open.Currency);
        var discount = discounted ? need.Discount : zero;
        return Parts(
            need,
            need.Owed - discount,
            discount,
            zero,
            need.Discount > discount ? [new ReceiptFinding.DiscountNotTaken(need.Discount)] : []
        );
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
        return !cash.IsZero && allowance.Allows(difference, open)
            ? new(cash, granted, difference, zero, zero, [])
            : new(cash, granted, zero, difference, zero, [new ReceiptFinding.Short(difference)]);
    }

    /// <summary>An item that no cash reached.</summary>
    internal static ItemSettlement None(Money open)
    {
        var zero = Money.Zero(open.Currency);
        return new(zero, zero, zero, open, zero, [new ReceiptFinding.Short(open)]);
    }

    /// <summary>
    /// The same with the rest written off by decision. Inside its window the discount takes its part of it first.
    /// </summary>
    /// <param name="inForce">The discount in force.</param>
    internal ItemSettlement WithRestWrittenOff(Money inForce)
    {
        if (StaysOpen.IsZero)
            return this;
        var zero = Money.Zero(Cash.Currency);
        var taken = Money.Min(Money.Max(zero, inForce - Discount), StaysOpen);
        return this with
        {
            Discount = Discount + taken,
            WriteOff = WriteOff + StaysOpen - taken,
            StaysOpen = zero,
            Findings = [.. Findings.Where(f => f is not (ReceiptFinding.Short or ReceiptFinding.DiscountUnearned))],
        };
    }

    // What settles the item by value, held to what is open today, and what that leaves.
    private static ItemSettlement Parts(
        ItemNeed need,
        Money received,
        Money discount,
        Money writeOff,
        IReadOnlyList<ReceiptFinding> findings
    )
    {
        var zero = Money.Zero(received.Currency);
        discount = Money.Min(discount, need.Open);
        writeOff = Money.Min(writeOff, need.Open - discount);
        var cash = Money.Min(received, need.Open - discount - writeOff);
        var (stays, over) = (need.Open - cash - discount - writeOff, received - cash);
        var all = new List<ReceiptFinding>();
        if (need.BeforeDocument)
            all.Add(new ReceiptFinding.BeforeInvoice());
        all.AddRange(stays.IsZero ? findings.Where(f => f is not ReceiptFinding.DiscountUnearned) : findings);
        if (stays > zero && !findings.Any(f => f is ReceiptFinding.DiscountUnearned))
            all.Add(new ReceiptFinding.Short(stays));
        if (over > zero)
            all.Add(new ReceiptFinding.Over(over));
        return new(cash, discount, writeOff, stays, over, all);
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
                WriteOff.IsZero ? "nothing" : "within the short-payment allowance, by amount and by percent",
                $"{WriteOff}"
            ),
            new("Stays open", $"{open} − {Cash} − {Discount} − {WriteOff}", $"{StaysOpen}"),
        };
        if (!OnAccount.IsZero)
            lines.Add(new("On account", $"{received} − {Cash}", $"{OnAccount}"));
        return lines;
    }
}
