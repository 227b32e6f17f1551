namespace KiteLine.Core;

/// <summary>
/// How a receipt would be set against the open items of an account, with the rule that says so and how sure it is.
/// </summary>
/// <param name="Confidence">0 to 1; 1 exactly where the rule has one answer, it ties, and nothing is written off.</param>
/// <param name="Lines">Items that get something, oldest due first. The cash of all and what stays on account add up to what was
/// received.</param>
/// <param name="OnAccount">What no item took.</param>
public sealed record AllocationProposal(
    AllocationRule Rule,
    decimal Confidence,
    IReadOnlyList<AllocationLine> Lines,
    Money OnAccount,
    IReadOnlyList<AllocationFinding> Findings
)
{
    /// <summary>The confidence in the older of two items that need the same.</summary>
    public const decimal OneOfTwo = 0.6m;

    /// <summary>The confidence in named items that tie in more than one way.</summary>
    public const decimal OneOfTwoWays = 0.8m;

    /// <summary>The confidence in named items that tie with a difference within the allowance.</summary>
    public const decimal WithWriteOff = 0.9m;

    /// <summary>The confidence in named items that do not tie.</summary>
    public const decimal Untied = 0.4m;

    /// <summary>The confidence in items that are merely the oldest.</summary>
    public const decimal MerelyOldest = 0.2m;

    /// <summary>Proposes by the first rule that has an answer: named, one, set, oldest.</summary>
    /// <param name="cash">What was received, above zero.</param>
    /// <param name="text">What the payer wrote.</param>
    /// <param name="items">Open items in the currency of the cash. Equal due dates go by their order.</param>
    /// <param name="allowance">In that currency.</param>
    /// <exception cref="ArgumentException">The cash is not above zero, or an item is not open.</exception>
    public static AllocationProposal Of(
        Money cash,
        DateOnly valueDate,
        string text,
        IReadOnlyList<AllocationItem> items,
        ShortPayAllowance allowance,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(allowance);
        if (cash.Minor <= 0)
            throw new ArgumentException("A receipt is above zero.", nameof(cash));
        if (items.Any(i => i.Open.IsZero))
            throw new ArgumentException("An item with nothing open takes nothing.", nameof(items));
        var receipt = new Receipt(cash, valueDate, allowance, rounding);
        var named = NamedItems.In(text, items).Select(n => n.Item).ToArray();
        AllocationItem[] due = [.. items.OrderBy(i => i.Due)];
        AllocationItem[] debits = [.. due.Where(i => !i.IsCredit)];
        return named.Length > 0 ? receipt.Named([.. named.OrderBy(i => i.Due)])
            : debits.Length == 0 ? receipt.OnAccount()
            : receipt.One(debits) ?? receipt.Set(debits, due) ?? receipt.Oldest(debits);
    }

    /// <summary>The derivation as lines: the rule, what each item gets, and what is left.</summary>
    /// <param name="received">What was received.</param>
    public IReadOnlyList<Working> Workings(Money received) =>
        [
            new("Received", "the bank's amount", $"{received}"),
            new("Rule", Why, $"{Rule}"),
            .. Lines.Select(l => new Working(
                l.Item.Document.Length > 0 ? l.Item.Document : l.Item.Id,
                $"open {l.Item.Open} − discount {l.Settlement.Discount} − written off {l.Settlement.WriteOff} − stays open "
                    + $"{l.Settlement.StaysOpen}",
                $"{l.Settlement.Cash}"
            )),
            new("On account", "received less the cash of all items", $"{OnAccount}"),
        ];

    /// <summary>Why this is proposed, in words.</summary>
    public string Why =>
        Rule switch
        {
            AllocationRule.Named => "the remittance text names these documents"
                + (Confidence > Untied ? ", and they tie" : "; they do not tie, so the oldest due come first"),
            AllocationRule.One when Confidence < 1 => "two items or more need just this; the one due first is taken",
            AllocationRule.One => "one item alone needs just this",
            AllocationRule.Set => "the fewest items that together need just this, oldest due first",
            AllocationRule.Oldest => "no items need just this: oldest due first, as far as the cash goes",
            _ => "there is no open item",
        };

    /// <summary>The receipt that is being placed.</summary>
    private sealed class Receipt(Money cash, DateOnly valueDate, ShortPayAllowance allowance, RoundingRule rounding)
    {
        private readonly Money _zero = Money.Zero(cash.Currency);
        private bool _bounded;

        internal AllocationProposal OnAccount() => With(AllocationRule.None, 0, [], cash);

        internal AllocationProposal Named(AllocationItem[] named)
        {
            var (open, discounts) = Needs(named);
            if (TyingNeeds.Of(open, discounts, cash.Minor, out _bounded) is { } ties)
                return With(
                    AllocationRule.Named,
                    ties.Ways == 1 ? 1 : OneOfTwoWays,
                    [.. named.Select((item, i) => InFull(item, ties.Discounted[i]))],
                    _zero
                );
            var whole = Money.FromMinor(open.Sum(), cash.Currency);
            var shortfall = whole - cash;
            var difference = shortfall - Money.FromMinor(discounts.Sum(), cash.Currency);
            var unearned = named.Any(i =>
                i.Discounts.Any(d => d.LastDay < valueDate && (d.Amount == shortfall || d.Amount == difference))
            );
            if (!unearned && difference > _zero && allowance.Allows(difference, whole))
            {
                var lines = named.Select(item => InFull(item, discounted: true)).ToArray();
                var last = Array.FindLastIndex(lines, l => !l.Item.IsCredit && l.Settlement.Cash >= difference);
                if (last >= 0)
                {
                    var s = lines[last].Settlement;
                    lines[last] = lines[last] with
                    {
                        Settlement = s with { Cash = s.Cash - difference, WriteOff = difference },
                    };
                    return With(AllocationRule.Named, WithWriteOff, lines, _zero);
                }
            }

            return Filled(AllocationRule.Named, Untied, named, unearned ? ShortPayAllowance.None : allowance);
        }

        internal AllocationProposal? One(AllocationItem[] debits)
        {
            var needing = debits.Where(i => i.Open == cash || i.Open - i.InForce(valueDate) == cash).Take(2).ToArray();
            return needing.Length == 0
                ? null
                : With(
                    AllocationRule.One,
                    needing.Length == 1 ? 1 : OneOfTwo,
                    [InFull(needing[0], needing[0].Open != cash)],
                    _zero
                );
        }

        internal AllocationProposal? Set(AllocationItem[] debits, AllocationItem[] all) =>
            SetOf(debits) ?? (all.Length > debits.Length ? SetOf(all) : null);

        internal AllocationProposal Oldest(AllocationItem[] debits) =>
            Filled(AllocationRule.Oldest, MerelyOldest, debits, allowance);

        private AllocationProposal? SetOf(AllocationItem[] items)
        {
            var (open, discounts) = Needs(items);
            var search = new TyingSet(open, discounts);
            var found = search.Find(cash.Minor);
            _bounded |= search.Bounded;
            if (found is null)
                return null;
            var set = Array.ConvertAll(found, i => items[i]);
            var (setOpen, setDiscounts) = Needs(set);
            var ties = TyingNeeds.Of(setOpen, setDiscounts, cash.Minor, out var mixedBounded);
            if (ties is null)
            {
                // A mixture of very many discounts: it ties, but which of them were taken is not told.
                _bounded |= mixedBounded;
                return null;
            }

            return With(
                AllocationRule.Set,
                search.Ways == 1 && ties.Ways == 1 && !search.Bounded ? 1 : OneOfTwoWays,
                [.. set.Select((item, i) => InFull(item, ties.Discounted[i]))],
                _zero
            );
        }

        // One by one, oldest due first, each by the rules of one receipt on one item. Credits give what is missing.
        private AllocationProposal Filled(
            AllocationRule rule,
            decimal confidence,
            AllocationItem[] items,
            ShortPayAllowance within
        )
        {
            var lines = new List<AllocationLine>();
            var missing = items.Where(i => !i.IsCredit).Aggregate(-cash, (sum, i) => sum + i.Open);
            var left = cash;
            foreach (var credit in items.Where(i => i.IsCredit))
            {
                var used = Money.Min(-credit.Open, missing);
                if (used <= _zero)
                    break;
                lines.Add(new(credit, new(-used, _zero, _zero, credit.Open + used, _zero, [])));
                (left, missing) = (left + used, missing - used);
            }

            foreach (var item in items.Where(i => !i.IsCredit))
            {
                if (left.IsZero)
                    break;
                var s = ItemSettlement.Of(left, item.Open, item.Discounts, valueDate, within, rounding);
                left = s.OnAccount;
                lines.Add(
                    new(
                        item,
                        s with
                        {
                            OnAccount = _zero,
                            Findings = [.. s.Findings.Where(f => f is not ReceiptFinding.Over)],
                        }
                    )
                );
            }

            return With(rule, confidence, [.. lines.OrderBy(l => l.Item.Due)], left);
        }

        private AllocationLine InFull(AllocationItem item, bool discounted)
        {
            var inForce = item.InForce(valueDate);
            var discount = discounted ? inForce : _zero;
            IReadOnlyList<ReceiptFinding> findings =
                inForce > _zero && !discounted ? [new ReceiptFinding.DiscountNotTaken(inForce)] : [];
            return new(item, new(item.Open - discount, discount, _zero, _zero, _zero, findings));
        }

        private (long[] Open, long[] Discounts) Needs(AllocationItem[] items) =>
            (Array.ConvertAll(items, i => i.Open.Minor), Array.ConvertAll(items, i => i.InForce(valueDate).Minor));

        private AllocationProposal With(
            AllocationRule rule,
            decimal confidence,
            IReadOnlyList<AllocationLine> lines,
            Money onAccount
        )
        {
            var findings = lines
                .SelectMany(l => l.Settlement.Findings.Select(f => new AllocationFinding(f, l.Item)))
                .ToList();
            if (onAccount > _zero)
                findings.Add(new(new ReceiptFinding.Over(onAccount), null));
            if (_bounded)
                findings.Add(new(new ReceiptFinding.SearchBounded(), null));
            return new(rule, confidence, lines, onAccount, findings);
        }
    }
}
