using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>
/// Accepting a proposal, choosing its items by hand, the calculators, the replay and the grant of what was missed come to the
/// same, over any items, days, terms and policies; and to what <see cref="Model"/>, which knows none of the core's rules but
/// is written from the description of them, says.
/// </summary>
public sealed class AnySettlementTests
{
    private static readonly DateOnly Today = Given.Day("2026-03-16");
    private static readonly string[] SomeTerms =
    [
        "2/10 n/30",
        "3/7, 1/14 n/45",
        "n/30",
        "2/10 EOM n/60",
        "20.00 off/10 n/30",
        "5/20 n/60",
    ];

    private static readonly int[] SomeCredits = [0, 0, 0, 500, 10_000];

    /// <summary>One invoice with what came before.</summary>
    private sealed record Drawn(
        long Minor,
        int Age,
        string Terms,
        bool PartPayments,
        int Grace,
        long PaidMinor,
        int PaidAge
    );

    private sealed record Case(
        Drawn[] Items,
        long Cash,
        int Back,
        ShortPayAllowance Allowance,
        RoundingRule Rounding,
        int Named,
        long Credit
    )
    {
        public override string ToString() =>
            $"{Cash} {Back} days back, {Allowance}, {Rounding}, named {Named}, credit {Credit}: "
            + string.Join("; ", Items.AsEnumerable());
    }

    private static readonly Gen<Drawn> AnyItem = Gen.Select(
        Gen.Int[200, 200_000],
        Gen.Int[1, 40],
        Gen.Int[0, SomeTerms.Length - 1].Select(i => SomeTerms[i]),
        Gen.Bool,
        Gen.Int[0, 3],
        Gen.Int[0, 3],
        Gen.Int[0, 40],
        (minor, age, terms, part, grace, quarters, paidAge) =>
            new Drawn(minor, age, terms, part, grace, quarters == 0 ? minor / 4 : 0, Math.Min(age, paidAge))
    );

    private static Gen<Case> AnyCase =>
        Gen.Select(
            AnyItem.Array[1, 4],
            Gen.Int[1, 300_000],
            Gen.Int[0, 8],
            Gen.Int[0, 10],
            Gen.Select(Gen.Int[0, 8], Gen.Int[0, 5]),
            Gen.Bool,
            Gen.Select(Gen.Int[0, 15], Gen.Int[0, 4].Select(i => SomeCredits[i])),
            (items, cash, like, back, allowance, even, rest) =>
                new Case(
                    items,
                    Likely(items, cash, like, Today.AddDays(-back)),
                    back,
                    new(allowance.Item1, allowance.Item2),
                    even ? RoundingRule.HalfToEven : RoundingRule.HalfAwayFromZero,
                    rest.Item1,
                    rest.Item2
                )
        );

    // Money that comes is mostly about what is owed: in full, less discount, a little less, or a part.
    private static long Likely(Drawn[] drawn, int cash, int like, DateOnly day)
    {
        var items = drawn.Select((d, i) => Invoice(d, i + 1, RoundingRule.HalfAwayFromZero).Item).ToArray();
        var open = items.Sum(i => i.Left.Minor);
        var discount = items.Sum(i => i.DiscountOn(day, RoundingRule.HalfAwayFromZero)?.Amount.Minor ?? 0);
        var first = items[0];
        var one = first.DiscountOn(day, RoundingRule.HalfAwayFromZero)?.Amount.Minor ?? 0;
        return Math.Max(
            1,
            like switch
            {
                0 => open,
                1 => open - discount,
                2 => open - discount - 300,
                3 => first.Left.Minor,
                4 => first.Left.Minor - one,
                5 => first.Left.Minor - (one / 2),
                6 => open - (discount / 2),
                7 => first.Left.Minor / 2,
                _ => cash,
            }
        );
    }

    private static (Item Item, ItemOffer Offer) Invoice(Drawn d, long id, RoundingRule rounding)
    {
        var date = Today.AddDays(-d.Age);
        var terms = Shorthand.Read(d.Terms).Under(new() { PartPayments = d.PartPayments, GraceDays = d.Grace });
        var amounts = new InvoiceAmounts(
            Money.FromMinor(d.Minor, Given.Gbp),
            Money.Zero(Given.Gbp),
            Money.Zero(Given.Gbp)
        );
        var offer = new ItemOffer(terms, amounts, date, 1, false, BusinessCalendar.WeekendsOnly, []);
        var item = new Item
        {
            Id = id,
            Document = $"INV-{id}",
            Kind = ItemKind.Invoice,
            Date = date,
            Due = PaymentSchedule.For(terms, amounts, date, BusinessCalendar.WeekendsOnly, rounding).Instalments[0].Due,
            Movements =
            [
                new(MovementKind.Opened, date, amounts.Gross),
                .. d.PaidMinor == 0
                    ? Array.Empty<Movement>()
                    : [new(MovementKind.Cash, Today.AddDays(-d.PaidAge), Money.FromMinor(-d.PaidMinor, Given.Gbp))],
            ],
        };
        return (offer.On(item, rounding), offer);
    }

    private static ReceiptTarget Target(Case c)
    {
        var items = c
            .Items.Select((d, i) => Invoice(d, i + 1, c.Rounding))
            .Select(i => new ItemDetail(i.Item, i.Item.Document, "", i.Offer.Amounts, "") { Offer = i.Offer })
            .ToList();
        if (c.Credit > 0)
            items.Add(
                new(Given.Credit(c.Credit / 100m, "2026-02-01", 50), "CRN-1", "", Given.Amounts(c.Credit / 100m), "")
            );
        return new(Given.Gbp, [.. items.OrderBy(d => d.Item.Due).ThenBy(d => d.Item.Id)], c.Allowance);
    }

    private static string Told(Posting posting) =>
        string.Join(
            "; ",
            posting
                .Allocations.OrderBy(a => a.Debit)
                .ThenBy(a => a.Credit)
                .Select(a => $"{a.Credit} → {a.Debit} {a.ValueDate:MM-dd} {a.Cash} {a.Discount} {a.WriteOff}")
                .Concat(posting.Lines.Select(l => $"{l.Purpose} {l.Amount}"))
        );

    private static string Text(Case c) =>
        string.Join(
            ' ',
            Enumerable.Range(1, c.Items.Length).Where(i => ((c.Named >> (i - 1)) & 1) == 1).Select(i => $"INV-{i}")
        );

    [Fact]
    public void Accepting_and_choosing_by_hand_and_the_calculators_come_to_the_same() =>
        AnyCase.Sample(
            c =>
            {
                var (day, target, text) = (Today.AddDays(-c.Back), Target(c), Text(c));
                var rules = Given.Rules(Today, c.Rounding);
                var cash = Money.FromMinor(c.Cash, Given.Gbp);
                var proposal = PaymentProposal.Of(cash, day, text, target, [], c.Rounding).Allocation!;
                var choices = proposal.Chosen.ToDictionary(i => i.ItemId, _ => new PaymentChoice());

                var money = new IncomingMoney(
                    cash,
                    Money.Zero(Given.Gbp),
                    day,
                    text,
                    ReceiptOrigin.ByHand("", null, day)
                );
                var accepted = ReceiptDecision.Of(money, null, "", target, Authority.Unbounded, rules);
                var placed = ReceiptDecision.Of(
                    money,
                    choices,
                    "",
                    target,
                    Authority.Unbounded,
                    rules,
                    proposal.Filled
                );
                var taken = ReceiptDecision.Of(
                    new(day, cash.Amount, "", choices, Filled: proposal.Filled),
                    target,
                    [],
                    Authority.Unbounded,
                    rules
                );
                Told(placed.Posting).ShouldBe(Told(accepted.Posting));
                Told(taken.Posting).ShouldBe(Told(accepted.Posting));

                // What was shown is what is posted.
                foreach (var line in proposal.Lines.Where(l => !l.Item.IsCredit))
                {
                    var posted = accepted.Posting.Allocations.Where(a => a.Debit == line.Item.ItemId).ToArray();
                    (
                        posted.Sum(a => a.Cash.Minor),
                        posted.Sum(a => a.Discount.Minor),
                        posted.Sum(a => a.WriteOff.Minor)
                    ).ShouldBe(
                        (line.Settlement.Cash.Minor, line.Settlement.Discount.Minor, line.Settlement.WriteOff.Minor)
                    );
                }

                // The calculators know items by what is open and offered alone, as long as nothing moved since.
                var needs = target.Items(day, c.Rounding);
                if (needs.All(n => n.Need.Owed == n.Open && !n.Need.BeforeDocument))
                {
                    var same = AllocationProposal.Of(
                        cash,
                        text,
                        [
                            .. needs.Select(n => new AllocationItem(
                                n.Id,
                                n.Document,
                                n.Due,
                                new(n.Open, n.Need.Discounts, day, n.Need.PartPayments)
                            )),
                        ],
                        c.Allowance,
                        c.Rounding
                    );
                    (same.Rule, same.Confidence, same.OnAccount).ShouldBe(
                        (proposal.Rule, proposal.Confidence, proposal.OnAccount)
                    );
                    same.Lines.Select(l => l.Settlement with { Findings = [] })
                        .ShouldBe(proposal.Lines.Select(l => l.Settlement with { Findings = [] }));
                    if (proposal.Rule == AllocationRule.Named && proposal.Chosen.All(i => !i.IsCredit))
                        Model
                            .Named(
                                c.Cash,
                                [.. proposal.Chosen.Select(i => Model.Of(i.Need, day))],
                                c.Allowance,
                                c.Rounding
                            )
                            .ShouldBe(
                                proposal.Chosen.Select(i =>
                                    proposal.Lines.FirstOrDefault(l => l.Item == i) is { } l
                                        ? (
                                            l.Settlement.Cash.Minor,
                                            l.Settlement.Discount.Minor,
                                            l.Settlement.WriteOff.Minor
                                        )
                                        : (0, 0, 0)
                                )
                            );
                }
            },
            iter: 10_000
        );

    [Fact]
    public void The_replay_and_the_grant_of_what_was_missed_come_to_the_same() =>
        AnyCase.Sample(
            c =>
            {
                var day = Today.AddDays(-c.Back);
                var (item, offer) = Invoice(c.Items[0], 1, c.Rounding);
                if (item.Left.Minor <= 0)
                    return;
                var cash = Money.FromMinor(c.Cash, Given.Gbp);
                Payment Pay(DiscountChoice discount) =>
                    Payment.Of(
                        cash,
                        Money.Zero(Given.Gbp),
                        day,
                        [new(item, new(discount))],
                        ShortPayAllowance.None,
                        c.Rounding
                    );
                var settled = Pay(DiscountChoice.Proposed);
                var line = settled.Lines[0].Settlement;
                var after = Posted(item, line, day);

                // The same terms give the same again.
                var facts = new ReplayFacts
                {
                    Book = new()
                    {
                        Id = 1,
                        Code = "A",
                        Name = "A",
                        Currency = Given.Gbp,
                    },
                    Items = [new(after, offer)],
                };
                var replayed = AccountReplay.Of(
                    facts,
                    new() { Terms = offer.Terms },
                    new(Today.AddDays(-100), Today),
                    new(Given.Rules(Today, c.Rounding), Given.Positions())
                );
                foreach (var l in replayed.Lines.Where(l => l.Kind == ReplayKind.Discount))
                {
                    l.Happened.ShouldBe(l.Would);
                    // An item tells neither what of its payment is on account, nor two payments of one day apart.
                    if (settled.OnAccount.IsZero && c.Items[0].PaidMinor == 0)
                        l.ByHand.ShouldBeFalse();
                }

                // Posted without it, and granted afterwards.
                var offered = line.Findings.Sum(f =>
                    f switch
                    {
                        ReceiptFinding.DiscountNotTaken(var all) => all.Minor,
                        ReceiptFinding.DiscountPartlyTaken(var rest) => rest.Minor,
                        _ => 0,
                    }
                );
                var refused = Pay(DiscountChoice.Refuse);
                var without = refused.Lines[0].Settlement;
                without.Discount.IsZero.ShouldBeTrue();
                var book = Posted(item, without, day);
                var receipt = Given.Credit(c.Cash / 100m, "2026-02-01", 9) with
                {
                    Kind = ItemKind.Receipt,
                    Date = day,
                    Movements = [new(MovementKind.Opened, day, -cash), new(MovementKind.Cash, day, without.Cash)],
                };
                var allocation = new Allocation(
                    1,
                    9,
                    1,
                    MovementKind.Cash,
                    day < item.Date ? item.Date : day,
                    without.Cash,
                    without.Discount,
                    without.WriteOff,
                    Today
                );
                var earned = MissedDiscount
                    .Of(allocation, book, receipt, c.Rounding)
                    .FirstOrDefault(m => m.Earned)
                    ?.Step;
                (earned?.Amount.Minor ?? 0).ShouldBe(line.Discount.Minor + offered);
                if (earned is null)
                    return;
                var grant = AllocationCorrection.Grant(
                    allocation,
                    receipt,
                    book,
                    offer.Amounts,
                    earned.Deadline,
                    "missed",
                    Authority.None,
                    Given.Rules(Today, c.Rounding)
                );
                // Where it was deducted, granting it ends where taking it at once does.
                if (offered == 0)
                    (grant.Allocations[0].Cash, grant.Allocations[0].Discount).ShouldBe((line.Cash, line.Discount));
            },
            iter: 10_000
        );

    private static Item Posted(Item item, ItemSettlement s, DateOnly day)
    {
        var from = day < item.Date ? item.Date : day;
        Movement[] made =
        [
            new(MovementKind.Cash, from, -s.Cash),
            new(MovementKind.Discount, from, -s.Discount),
            new(MovementKind.WriteOff, from, -s.WriteOff),
        ];
        return item with { Movements = [.. item.Movements, .. made.Where(m => !m.Amount.IsZero)] };
    }

    /// <summary>Named items by counting, in minor units and decimals, as the trade's rules are written down.</summary>
    private static class Model
    {
        internal sealed record Open(long Minor, long Discount, (int Late, long Minor)[] Ended, bool Part);

        internal static Open Of(ItemNeed need, DateOnly day)
        {
            var best = need.Discounts.Where(d => d.LastDay >= day).Select(d => d.Amount.Minor).DefaultIfEmpty().Max();
            return new(
                need.Open.Minor,
                Math.Min(best, need.Open.Minor),
                [
                    .. need
                        .Discounts.Where(d => d.LastDay < day)
                        .Select(d => (day.DayNumber - d.LastDay.DayNumber, d.Amount.Minor)),
                ],
                need.PartPayments
            );
        }

        internal static (long, long, long)[] Named(
            long cash,
            Open[] items,
            ShortPayAllowance allowance,
            RoundingRule rounding
        )
        {
            // In full, then all discounted, then any mixture, the fewest discounts first and of these the earliest items.
            foreach (var taken in Choices(items))
                if (items.Select((i, n) => i.Minor - (taken[n] ? i.Discount : 0)).Sum() == cash)
                    return
                    [
                        .. items.Select(
                            (i, n) => taken[n] ? (i.Minor - i.Discount, i.Discount, 0L) : (i.Minor, 0L, 0L)
                        ),
                    ];
            var whole = items.Sum(i => i.Minor);
            var (shortfall, difference) = (whole - cash, whole - cash - items.Sum(i => i.Discount));
            var late = items.Any(i => i.Ended.Any(e => e.Minor == shortfall || e.Minor == difference));
            if (!late && difference > 0 && Allowed(difference, whole))
                for (var last = items.Length - 1; last >= 0; last--)
                    if (items[last].Minor - items[last].Discount >= difference)
                        return
                        [
                            .. items.Select(
                                (i, n) =>
                                    n == last
                                        ? (i.Minor - i.Discount - difference, i.Discount, difference)
                                        : (i.Minor - i.Discount, i.Discount, 0L)
                            ),
                        ];
            var lines = new List<(long, long, long)>();
            foreach (var i in items)
            {
                var line = cash == 0 ? (0, 0, 0) : One(cash, i, late);
                lines.Add(line);
                cash -= line.Item1;
            }

            return [.. lines];

            bool Allowed(long amount, long of) =>
                amount <= allowance.Amount * 100 && amount <= of * allowance.Percent / 100;

            (long, long, long) One(long left, Open i, bool none)
            {
                if (left >= i.Minor)
                    return (i.Minor, 0, 0);
                if (left >= i.Minor - i.Discount)
                    return (left, i.Minor - left, 0);
                var rest = i.Minor - i.Discount - left;
                if (!none && Allowed(rest, i.Minor))
                    return (left, i.Discount, rest);
                var share = i.Part && i.Discount > 0 ? (decimal)left * i.Discount / (i.Minor - i.Discount) : 0;
                return (
                    left,
                    (long)
                        Math.Round(
                            share,
                            rounding == RoundingRule.HalfToEven
                                ? MidpointRounding.ToEven
                                : MidpointRounding.AwayFromZero
                        ),
                    0
                );
            }
        }

        private static IEnumerable<bool[]> Choices(Open[] items)
        {
            yield return new bool[items.Length];
            yield return [.. items.Select(i => i.Discount > 0)];
            foreach (
                var mask in Enumerable
                    .Range(1, (1 << items.Length) - 1)
                    .Where(m => items.Where((_, n) => (m >> n & 1) == 1).All(i => i.Discount > 0))
                    .OrderBy(m => Enumerable.Range(0, items.Length).Count(n => (m >> n & 1) == 1))
                    .ThenBy(m => m)
            )
                yield return [.. items.Select((_, n) => (mask >> n & 1) == 1)];
        }
    }
}
