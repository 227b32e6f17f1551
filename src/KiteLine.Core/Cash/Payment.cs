namespace KiteLine.Core;

/// <summary>How one receipt settles the items chosen for it, oldest due first.</summary>
/// <param name="Cash">What the bank received.</param>
/// <param name="Charges">What the bank kept of what was paid; zero for nothing.</param>
/// <param name="Credits">Credits of the account that are used with it, oldest due first.</param>
/// <param name="OnAccount">What no item took; it stays on the account as a credit.</param>
public sealed record Payment(
    Money Cash,
    Money Charges,
    DateOnly ValueDate,
    IReadOnlyList<PaymentLine> Lines,
    IReadOnlyList<UsedCredit> Credits,
    Money OnAccount
)
{
    // Beyond this many discounts in force no exact choice of them is looked for: 2^12 are tried at most.
    private const int MostDiscountsTried = 12;

    /// <summary>
    /// Works out a payment. Chosen credits give what the cash leaves missing, oldest first. What was granted is given in
    /// full. Cash that covers every item less what was granted settles all, and no other discount is used. Cash that is
    /// short of that by no more than the discounts in force takes exactly what was deducted: of those discounts that add
    /// up to it, else of the items due first. Otherwise each item, oldest due first, takes what it needs less its
    /// discount, and the last one that cash reaches is settled by the rules of <see cref="ItemSettlement"/>, allowance
    /// included.
    /// </summary>
    /// <param name="cash">What the bank received.</param>
    /// <param name="charges">What it kept of what was paid.</param>
    /// <param name="allowance">In the account's currency.</param>
    /// <exception cref="ArgumentException">The cash is not above zero, or an item is not open.</exception>
    public static Payment Of(
        Money cash,
        Money charges,
        DateOnly valueDate,
        IEnumerable<ChosenItem> chosen,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(chosen);
        ArgumentNullException.ThrowIfNull(allowance);
        if (cash.Minor <= 0)
            throw new ArgumentException("A payment is above zero.", nameof(cash));
        var all = chosen.OrderBy(c => c.Item.Due).ThenBy(c => c.Item.Id).ToArray();
        if (Array.Exists(all, c => c.Item.Left.IsZero))
            throw new ArgumentException("An item with nothing open cannot be paid.", nameof(chosen));
        ChosenItem[] ordered = [.. all.Where(c => c.Item.Left.Minor > 0)];
        var credits = Used([.. all.Where(c => c.Item.Left.Minor < 0)], ordered, cash + charges);
        var received = cash + charges + credits.Aggregate(Money.Zero(cash.Currency), (sum, c) => sum + c.Amount);
        var shortfall = ordered.Aggregate(-received, (sum, c) => sum + c.Item.Left);
        var parts = ordered.Select(c => new Part(c, valueDate, shortfall, rounding)).ToArray();
        var zero = Money.Zero(cash.Currency);
        var deducted = parts.Aggregate(-received, (sum, p) => sum + p.Open - p.Granted);
        var offered = parts.Aggregate(zero, (sum, p) => sum + p.Usable);
        var left = received;
        ItemSettlement[] settled;
        if (deducted <= offered)
        {
            var taken = Deducted(parts, Money.Max(zero, deducted));
            settled = [.. parts.Select((p, i) => p.Settled(p.Granted + taken[i]))];
            left += settled.Aggregate(zero, (sum, s) => sum - s.Cash);
        }
        else
        {
            settled =
            [
                .. parts.Select(p =>
                {
                    var s = p.Reached(
                        Money.Min(left, p.Open - p.Granted - p.Usable),
                        left,
                        valueDate,
                        allowance,
                        rounding
                    );
                    left -= s.Cash;
                    return s;
                }),
            ];
        }

        return new(
            cash,
            charges,
            valueDate,
            [.. parts.Select((p, i) => new PaymentLine(p.Item, p.Open, p.Decided(settled[i]), p.InForce, p.Grant))],
            credits,
            left
        );
    }

    /// <summary>A payment just as it was proposed.</summary>
    /// <param name="proposal">Of what was paid: what the bank received, and the charges it kept.</param>
    /// <param name="itemOf">An item by its identifier.</param>
    public static Payment Of(
        AllocationProposal proposal,
        Money cash,
        Money charges,
        DateOnly valueDate,
        Func<long, Item> itemOf
    )
    {
        ArgumentNullException.ThrowIfNull(proposal);
        ArgumentNullException.ThrowIfNull(itemOf);
        return new(
            cash,
            charges,
            valueDate,
            [
                .. proposal
                    .Lines.Where(l => !l.Item.IsCredit)
                    .Select(l => new PaymentLine(
                        itemOf(l.Item.ItemId),
                        l.Item.Open,
                        l.Settlement,
                        l.Item.BestInForce(valueDate)
                    )),
            ],
            [
                .. proposal
                    .Lines.Where(l => l.Item.IsCredit)
                    .Select(l => new UsedCredit(itemOf(l.Item.ItemId), -l.Settlement.Cash)),
            ],
            proposal.OnAccount
        );
    }

    /// <summary>What the payer paid: what the bank received, and what it kept of it.</summary>
    public Money Paid => Cash + Charges;

    /// <summary>Sum of the discounts used.</summary>
    public Money Discount => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.Discount);

    /// <summary>Sum written off.</summary>
    public Money WriteOff => Lines.Aggregate(Money.Zero(Cash.Currency), (sum, l) => sum + l.Settlement.WriteOff);

    /// <summary>What of the payment itself was set against items.</summary>
    public Money Allocated => Paid - OnAccount;

    // Credits give what is missing, oldest due first, and no more.
    private static UsedCredit[] Used(ChosenItem[] credits, ChosenItem[] debits, Money paid)
    {
        var missing = debits.Aggregate(-paid, (sum, c) => sum + c.Item.Left);
        var used = new List<UsedCredit>();
        foreach (var credit in credits.TakeWhile(_ => missing.Minor > 0))
        {
            var taken = Money.Min(-credit.Item.Left, missing);
            used.Add(new(credit.Item, taken));
            missing -= taken;
        }

        return [.. used];
    }

    // How much of each item's discount in force was deducted.
    private static Money[] Deducted(Part[] parts, Money deducted)
    {
        var taken = parts.Select(p => Money.Zero(deducted.Currency)).ToArray();
        if (deducted.IsZero)
            return taken;
        var usable = Enumerable.Range(0, parts.Length).Where(i => !parts[i].Usable.IsZero).ToArray();
        if (Exactly(usable, parts, deducted) is { } whole)
        {
            foreach (var i in whole)
                taken[i] = parts[i].Usable;
            return taken;
        }

        foreach (var i in usable)
        {
            taken[i] = Money.Min(parts[i].Usable, deducted);
            deducted -= taken[i];
        }

        return taken;
    }

    // The fewest discounts that add up to what was deducted, those of the items due first among equals.
    private static int[]? Exactly(int[] usable, Part[] parts, Money deducted)
    {
        if (usable.Length > MostDiscountsTried)
            return null;
        var masks = Enumerable
            .Range(1, (1 << usable.Length) - 1)
            .OrderBy(m => System.Numerics.BitOperations.PopCount((uint)m))
            .ThenBy(m => m);
        foreach (var mask in masks)
        {
            var of = usable.Where((_, k) => (mask & (1 << k)) != 0).ToArray();
            if (of.Sum(i => parts[i].Usable.Minor) == deducted.Minor)
                return of;
        }

        return null;
    }

    /// <summary>One item of the payment with what it can bear.</summary>
    private sealed class Part
    {
        private readonly ChosenItem _chosen;
        private readonly Money _zero;

        internal Part(ChosenItem chosen, DateOnly valueDate, Money shortfall, RoundingRule rounding)
        {
            _chosen = chosen;
            Open = Item.Left;
            _zero = Money.Zero(Open.Currency);
            Left = Item.DiscountsLeft(DateOnly.MaxValue, rounding);
            InForce = Left.Where(d => d.LastDay >= valueDate).MaxBy(d => d.Amount.Minor) is { } best
                ? best with
                {
                    Amount = Money.Min(best.Amount, Open),
                }
                : null;
            Grant = chosen.Choice.Discount == DiscountChoice.Grant ? Granting(shortfall) : null;
        }

        internal Item Item => _chosen.Item;

        internal Money Open { get; }

        internal IReadOnlyList<ItemDiscount> Left { get; }

        internal ItemDiscount? InForce { get; }

        internal ItemDiscount? Grant { get; }

        /// <summary>What is given by decision.</summary>
        internal Money Granted => Grant?.Amount ?? _zero;

        /// <summary>What the rules let the payment take.</summary>
        internal Money Usable => _chosen.Choice.Discount == DiscountChoice.Proposed ? InForce?.Amount ?? _zero : _zero;

        /// <summary>Settled whole, with this much discount.</summary>
        internal ItemSettlement Settled(Money discount)
        {
            var rest = Grant is null && InForce is { } d ? d.Amount - discount : _zero;
            IReadOnlyList<ReceiptFinding> findings =
                rest.Minor <= 0 ? []
                : discount.IsZero ? [new ReceiptFinding.DiscountNotTaken(rest)]
                : [new ReceiptFinding.DiscountPartlyTaken(rest)];
            return new(Open - discount, discount, _zero, _zero, _zero, findings);
        }

        /// <summary>Settled with what cash is left when its turn comes, which may be less than it needs.</summary>
        internal ItemSettlement Reached(
            Money offered,
            Money left,
            DateOnly valueDate,
            ShortPayAllowance allowance,
            RoundingRule rounding
        )
        {
            var allowed = _chosen.Choice.WriteOff == WriteOffChoice.Refuse ? ShortPayAllowance.None : allowance;
            if (Grant is not null)
                return ItemSettlement.Granted(offered, Open, Granted, left.IsZero ? ShortPayAllowance.None : allowed);
            if (left.IsZero)
                return new(_zero, _zero, _zero, Open, _zero, [new ReceiptFinding.Short(Open)]);
            return ItemSettlement.Of(
                offered,
                Open,
                _chosen.Choice.Discount == DiscountChoice.Refuse ? [] : Left,
                valueDate,
                allowed,
                rounding,
                Item.PartPayments
            );
        }

        /// <summary>With the rest written off where that was decided.</summary>
        internal ItemSettlement Decided(ItemSettlement s) =>
            _chosen.Choice.WriteOff == WriteOffChoice.Whole ? s.WithRestWrittenOff(Usable) : s;

        // The step that was named, else the one in force, else the very one that the shortfall speaks of, else the last
        // to pass.
        private ItemDiscount? Granting(Money shortfall)
        {
            var step = _chosen.Choice.Step is { } named
                ? Left.FirstOrDefault(d => d.Deadline == named)
                : InForce ?? Left.FirstOrDefault(d => d.Amount == shortfall) ?? Left.MaxBy(d => d.LastDay);
            return step is null ? null : step with { Amount = Money.Min(step.Amount, Open) };
        }
    }
}
