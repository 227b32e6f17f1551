namespace KiteLine.Core;

/// <summary>How one receipt settles one item: <c>Cash + Discount + WriteOff + StaysOpen = open amount</c>.</summary>
/// <param name="Cash">The part of the cash that is set against the item.</param>
/// <param name="OnAccount">Cash that is left over.</param>
public sealed record ItemSettlement(
    Money Cash, Money Discount, Money WriteOff, Money StaysOpen, Money OnAccount, IReadOnlyList<ReceiptFinding> Findings)
{
    /// <summary>
    /// Settles an item. The discount in force (the largest whose last day has not passed) is used when cash, discount
    /// and a difference within the allowance settle the item. Otherwise nothing is written off and the cash settles what
    /// it can; it earns its share of the discount where the terms let part payments do so, else none.
    /// </summary>
    /// <param name="cash">What was received, above zero.</param>
    /// <param name="open">What is open, above zero.</param>
    /// <param name="discounts">The discounts the item offers, passed or not.</param>
    /// <param name="valueDate">The day the cash has value.</param>
    /// <param name="partPayments">Whether a part payment earns its share: cash <c>c</c> settles <c>c × open / (open − discount)</c>,
    /// which for a discount of rate <c>d</c> on all that is open is <c>c / (1 − d)</c>.</param>
    public static ItemSettlement Of(
        Money cash, Money open, IReadOnlyList<ItemDiscount> discounts, DateOnly valueDate, ShortPayAllowance allowance, bool partPayments = false)
    {
        ArgumentNullException.ThrowIfNull(discounts);
        ArgumentNullException.ThrowIfNull(allowance);
        var zero = Money.Zero(cash.Currency);
        var best = discounts.Where(d => d.LastDay >= valueDate).Select(d => d.Amount).Append(zero).Max();
        var discount = Money.Min(best, open);
        var findings = new List<ReceiptFinding>();

        if (cash >= open)
        {
            if (discount > zero) findings.Add(new ReceiptFinding.DiscountNotTaken(discount));
            if (cash > open) findings.Add(new ReceiptFinding.Over(cash - open));
            return new(open, zero, zero, zero, cash - open, findings);
        }

        var difference = open - cash - discount;
        if (difference < zero)
        {
            // More than the discounted amount but less than the full one: the discount settles it, the rest is over.
            findings.Add(new ReceiptFinding.Over(-difference));
            return new(open - discount, discount, zero, zero, -difference, findings);
        }

        if (difference.IsZero || allowance.Allows(difference, open))
            return new(cash, discount, difference, zero, zero, findings);

        if (partPayments && discount > zero)
        {
            // The cash is less than open less discount here, so its share is less than the whole discount.
            var share = Money.Round(cash.Amount * discount.Amount / (open - discount).Amount, cash.Currency);
            findings.Add(new ReceiptFinding.Short(open - cash - share));
            return new(cash, share, zero, open - cash - share, zero, findings);
        }

        var shortfall = open - cash;
        var unearned = discounts.Where(d => d.LastDay < valueDate && d.Amount == shortfall).MaxBy(d => d.LastDay);
        findings.Add(unearned is null
            ? new ReceiptFinding.Short(shortfall)
            : new ReceiptFinding.DiscountUnearned(valueDate.DayNumber - unearned.LastDay.DayNumber, unearned.Amount));
        return new(cash, zero, zero, shortfall, zero, findings);
    }

    /// <summary>The derivation as lines.</summary>
    public IReadOnlyList<Working> Workings(Money received, Money open)
    {
        var lines = new List<Working>
        {
            new("Received", "the bank's amount", $"{received}"),
            new("Cash on the item", OnAccount.IsZero ? "all that was received" : $"{received} − {OnAccount} left over", $"{Cash}"),
            new("Discount", Discount.IsZero ? "none in force is used" : StaysOpen.IsZero ? "the largest in force on the value date" : "the share of it that the part payment earns", $"{Discount}"),
            new("Written off", WriteOff.IsZero ? "nothing" : "within the short-pay allowance, by amount and by percent", $"{WriteOff}"),
            new("Stays open", $"{open} − {Cash} − {Discount} − {WriteOff}", $"{StaysOpen}"),
        };
        if (!OnAccount.IsZero) lines.Add(new("On account", $"{received} − {Cash}", $"{OnAccount}"));
        return lines;
    }
}
