namespace KiteLine.Core;

/// <summary>
/// Which open items of an account a receipt is for, with the rule that says so and how sure it is, and how
/// <see cref="ItemsSettlement"/> settles them.
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
    /// <summary>
    /// The items that are chosen, oldest due first: choosing them by hand comes to the same, where they are merely the
    /// oldest with the word that they are filled.
    /// </summary>
    public IReadOnlyList<AllocationItem> Chosen { get; init; } = [];

    /// <summary>The reminder that is paid in full, with what it showed beyond its items; null for none.</summary>
    public AskedLetter? Letter { get; init; }

    /// <summary>Whether the items are merely the oldest, which are filled whatever they would match.</summary>
    public bool Filled => Rule == AllocationRule.Oldest;

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
    /// <param name="items">Open items in the currency of the cash, as it finds them on its value date. Equal due dates go
    /// by their order.</param>
    /// <param name="allowance">In that currency.</param>
    /// <param name="letters">Reminders that stand and ask for more than their items, the latest first.</param>
    /// <exception cref="ArgumentException">The cash is not above zero, or an item is not open.</exception>
    public static AllocationProposal Of(
        Money cash,
        string text,
        IReadOnlyList<AllocationItem> items,
        ShortPayAllowance allowance,
        RoundingRule rounding,
        IReadOnlyList<AskedLetter>? letters = null
    )
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(items);
        ArgumentNullException.ThrowIfNull(allowance);
        if (cash.Minor <= 0)
            throw new ArgumentException("A receipt is above zero.", nameof(cash));
        if (items.Any(i => i.Open.IsZero))
            throw new ArgumentException("An item with nothing open takes nothing.", nameof(items));
        var receipt = new Receipt(cash, allowance, rounding, letters ?? []);
        var named = NamedItems.In(text, items).Select(n => n.Item).ToArray();
        AllocationItem[] due = [.. items.OrderBy(i => i.Due)];
        AllocationItem[] debits = [.. due.Where(i => !i.IsCredit)];
        return named.Length > 0 ? receipt.Named([.. named.OrderBy(i => i.Due)])
            : debits.Length == 0 ? receipt.OnAccount()
            : receipt.One(debits) ?? receipt.Letter(debits, due) ?? receipt.Set(debits, due) ?? receipt.Oldest(debits);
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
            .. Letter is { } letter
                ?
                [
                    new(
                        $"Reminder {letter.Number}",
                        $"fee {letter.Fee} + interest {letter.Interest}",
                        $"{letter.Shown}"
                    ),
                ]
                : Array.Empty<Working>(),
            new("On account", "received less the cash of all items", $"{OnAccount}"),
        ];

    /// <summary>Why this is proposed, in words.</summary>
    public string Why =>
        Rule switch
        {
            AllocationRule.Named or AllocationRule.Set when Letter is not null =>
                $"it is what the reminder {Letter.Number} asks for, its fee and interest included",
            AllocationRule.Named => "the remittance text names these documents"
                + (Confidence > Untied ? ", and they tie" : "; they do not tie, so the oldest due come first"),
            AllocationRule.One when Confidence < 1 => "two items or more need just this; the one due first is taken",
            AllocationRule.One => "one item alone needs just this",
            AllocationRule.Set => "the fewest items that together need just this, oldest due first",
            AllocationRule.Oldest => "no items need just this: oldest due first, as far as the cash goes",
            _ => "there is no open item",
        };

    /// <summary>The receipt whose items are looked for.</summary>
    private sealed class Receipt(
        Money cash,
        ShortPayAllowance allowance,
        RoundingRule rounding,
        IReadOnlyList<AskedLetter> letters
    )
    {
        private readonly Money _zero = Money.Zero(cash.Currency);
        private bool _bounded;

        internal AllocationProposal OnAccount() => new(AllocationRule.None, 0, [], cash, Found([], cash));

        internal AllocationProposal Named(AllocationItem[] named)
        {
            if (PaidBy(named) is { } letter)
                return With(AllocationRule.Named, 1, named, letter);
            var settled = ItemsSettlement.Named(cash, Needs(named), allowance, rounding);
            return With(
                AllocationRule.Named,
                settled.Match switch
                {
                    SettlementMatch.Exact => 1,
                    SettlementMatch.OneOfSeveral => OneOfTwoWays,
                    SettlementMatch.WithinAllowance => WithWriteOff,
                    _ => Untied,
                },
                named,
                settled
            );
        }

        internal AllocationProposal? One(AllocationItem[] debits)
        {
            var needing = debits.Where(i => Needs(i.Need)).Take(2).ToArray();
            return needing.Length == 0
                ? null
                : With(
                    AllocationRule.One,
                    // The very sum of a reminder beside it makes two answers of one.
                    needing.Length == 1
                    && Asking(debits).Length == 0
                        ? 1
                        : OneOfTwo,
                    needing[..1],
                    ItemsSettlement.Named(cash, [needing[0].Need], allowance, rounding)
                );
        }

        /// <summary>The items of a reminder that asks for just this; certain where no other items need it.</summary>
        internal AllocationProposal? Letter(AllocationItem[] debits, AllocationItem[] all)
        {
            var asking = Asking(debits);
            if (asking.Length == 0)
                return null;
            var (items, letter) = asking[0];
            var alone = asking.All(a => letter.Items.ToHashSet().SetEquals(a.Letter.Items)) && Set(debits, all) is null;
            return With(AllocationRule.Set, alone && !_bounded ? 1 : OneOfTwoWays, items, letter);
        }

        private (AllocationItem[] Items, AskedLetter Letter)[] Asking(AllocationItem[] debits) =>
            [
                .. letters
                    .Select(l => (Items: Array.FindAll(debits, i => l.Items.Contains(i.ItemId)), Letter: l))
                    .Where(l => l.Items.Length > 0 && PaidBy(l.Items) == l.Letter),
            ];

        // Calculators know items by other names, and no letters.
        private AskedLetter? PaidBy(AllocationItem[] items) =>
            letters.Count == 0
                ? null
                : AskedLetter.PaidBy(
                    cash,
                    items.Length > 0 ? items[0].Need.ValueDate : default,
                    [.. items.Select(i => (i.ItemId, i.Need))],
                    letters,
                    rounding
                );

        private AllocationProposal With(
            AllocationRule rule,
            decimal confidence,
            AllocationItem[] items,
            AskedLetter letter
        )
        {
            var settled = ItemsSettlement.Named(cash - letter.Shown, Needs(items), ShortPayAllowance.None, rounding);
            var proposal = With(rule, confidence, items, settled);
            return proposal with
            {
                Letter = letter,
                Findings =
                [
                    .. proposal.Findings,
                    new(new ReceiptFinding.LetterPaidInFull(letter.Number, letter.Fee, letter.Interest), null),
                ],
            };
        }

        internal AllocationProposal? Set(AllocationItem[] debits, AllocationItem[] all) =>
            SetOf(debits) ?? (all.Length > debits.Length ? SetOf(all) : null);

        internal AllocationProposal Oldest(AllocationItem[] debits) =>
            With(
                AllocationRule.Oldest,
                MerelyOldest,
                debits,
                ItemsSettlement.Filled(cash, Needs(debits), allowance, rounding)
            );

        private bool Needs(ItemNeed need) =>
            need.Open == cash || need.Owed == cash || need.Owed - need.Discount == cash;

        private static ItemNeed[] Needs(AllocationItem[] items) => Array.ConvertAll(items, i => i.Need);

        // A set is certain only where no other was left unlooked at, here or among fewer items.
        private AllocationProposal? SetOf(AllocationItem[] items)
        {
            foreach (var (open, discounts) in ItemsSettlement.Views(Needs(items)))
            {
                var search = new TyingSet(open, discounts);
                var found = search.Find(cash.Minor);
                _bounded |= search.Bounded;
                if (found is null)
                    continue;
                var set = Array.ConvertAll(found, i => items[i]);
                var settled = ItemsSettlement.Matched(cash, Needs(set), rounding, out var bounded);
                // A mixture of very many discounts: it matches, but which of them were taken is not told.
                _bounded |= bounded;
                if (settled is null)
                    continue;
                var certain = search.Ways == 1 && settled.Match == SettlementMatch.Exact && !_bounded;
                return With(AllocationRule.Set, certain ? 1 : OneOfTwoWays, set, settled);
            }

            return null;
        }

        private AllocationProposal With(
            AllocationRule rule,
            decimal confidence,
            AllocationItem[] items,
            ItemsSettlement settled
        )
        {
            _bounded |= settled.Bounded;
            AllocationLine[] lines =
            [
                .. items
                    .Zip(settled.Items, (item, s) => new AllocationLine(item, s))
                    .Where(l =>
                        l.Settlement
                            is { Cash.IsZero: false }
                                or { Discount.IsZero: false }
                                or { WriteOff.IsZero: false }
                    ),
            ];
            return new(rule, confidence, lines, settled.OnAccount, Found(lines, settled.OnAccount))
            {
                // What is merely the oldest is chosen as far as the cash goes; what is named is chosen all of it.
                Chosen = rule == AllocationRule.Oldest ? [.. lines.Select(l => l.Item)] : items,
            };
        }

        private List<AllocationFinding> Found(IReadOnlyList<AllocationLine> lines, Money onAccount)
        {
            var findings = lines
                .SelectMany(l => l.Settlement.Findings.Select(f => new AllocationFinding(f, l.Item)))
                .ToList();
            if (onAccount > _zero)
                findings.Add(new(new ReceiptFinding.Over(onAccount), null));
            if (_bounded)
                findings.Add(new(new ReceiptFinding.SearchBounded(), null));
            return findings;
        }
    }
}
