using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// Credits are set against items, moved, put right and taken back in any order: every step leaves sound books, a preview says
/// what posting then does, and once all is taken back everything stands as without it.
/// </summary>
public sealed class AnyAllocationsTests : IDisposable
{
    private const int Steps = 24;
    private readonly TestBooks _t = new();
    private readonly CorrectionDesk _corrections;
    private readonly UnassignedDesk _unassigned;
    private readonly MoveDesk _moves;
    private readonly Dictionary<string, int> _done = [];
    private Random _random = new();

    public AnyAllocationsTests()
    {
        _corrections = new(_t.Items);
        _unassigned = new(_t.Receipts);
        _moves = new(_corrections, _t.Receipts, _unassigned, _t.Items);
        _t.Write(tx => AccountStore.Open(tx, new("Harbour Rigging", "HAR01", Limit: 5000, Terms: "n/30")));
        _t.Invoice(900, "2026-03-02", 180);
        _t.Invoice(500, "2026-03-06");
        _t.Invoice(301.37m, "2026-02-03", 60.27m, "n/14");
        _t.Invoice(77.77m, "2026-01-15", 0, "40% now, rest 20");
        _t.Pay(650, "2026-03-10");
        _t.Pay(222.22m, "2026-02-20");
        _t.Pay(1058.40m, "2026-03-11", Debits("PEL01")[^1].Id);
        _t.Write(tx =>
        {
            Credit(tx, 100, "2026-03-03");
            return Credit(tx, 45.45m, "2026-02-10");
        });
    }

    public void Dispose() => _t.Dispose();

    private static Posted Credit(Tx tx, decimal net, string date)
    {
        var account = AccountStore.Get(tx.Connection, "PEL01");
        Money Amount(decimal a) => Money.Exact(a, account.Currency);
        var amounts = new InvoiceAmounts(Amount(net), Amount(0), Amount(0));
        var day = DateOnly.Parse(date, System.Globalization.CultureInfo.InvariantCulture);
        return PostingStore.Post(tx, account, InvoicePosting.CreditNote(null, day, amounts, tx.Rules().Today));
    }

    private Account Account(string code) => _t.Books.Read(c => AccountStore.Get(c, code));

    private Item[] Items(string code) =>
        [.. _t.Books.Read(c => _t.Items.Items(c, AccountStore.Get(c, code), alsoClosed: true))];

    private Item[] Debits(string code) => [.. Items(code).Where(i => i.Left.Minor > 0)];

    private T Any<T>(IReadOnlyList<T> of) =>
        of.Count == 0 ? throw new RefusedException("any", "There is none.") : of[_random.Next(of.Count)];

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Any_order_of_them_taken_back_leaves_everything_as_without_them(int seed)
    {
        _random = new(seed);
        var (first, before) = (LastEntry() + 1, Standing());
        for (var step = 0; step < Steps; step++)
        {
            var at = LastEntry();
            var (what, act) = _random.Next(9) switch
            {
                0 or 1 => ("set off", (Action)SetOff),
                2 => ("pay", Pay),
                3 => ("undo", Undo),
                4 => ("write off", WriteOff),
                5 => ("grant", Grant),
                6 => ("move", Move),
                7 => ("assign", Assign),
                _ => ("reverse", () => Reverse(Any(Made(first)))),
            };
            try
            {
                act();
                _done[what] = _done.GetValueOrDefault(what) + 1;
            }
            catch (RefusedException)
            {
                LastEntry().ShouldBe(at, what);
            }

            _t.Off().ShouldBeEmpty($"step {step}, {what}");
            PartsTie();
        }

        foreach (var entry in Made(first).OrderDescending())
            Reverse(entry);
        Standing().ShouldBe(before);
        _t.Off().ShouldBeEmpty();
        _done.Keys.Count.ShouldBeGreaterThan(5);
    }

    private long LastEntry() => _t.Books.Read(c => c.ExecuteScalar<long>("SELECT max(id) FROM entry"));

    // What was posted since and stands.
    private long[] Made(long first) =>
        [
            .. _t.Books.Read(c =>
                c.Query<long>(
                    """
                    SELECT e.id FROM entry e WHERE e.id >= @first AND e.reverses IS NULL
                        AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
                    """,
                    new { first }
                )
            ),
        ];

    /// <summary>What is open of each item, what each account owes, and what each posting account comes to.</summary>
    private string[] Standing()
    {
        var accounts = _t.Books.Read(c =>
            BookLoader
                .Load(c)
                .Select(a =>
                    $"{a.Code} exposure {AccountPosition.On(a, TestBooks.Today, TestBooks.Positions).Exposure}"
                )
                .ToArray()
        );
        var open = new[] { "PEL01", "HAR01" }
            .SelectMany(Items)
            .Where(i => !i.Left.IsZero)
            .Select(i => $"{i.Document} {i.Left}, by value on the 5th {i.OpenByValue(new(2026, 3, 5))}");
        var journal = _t.Books.Read(c =>
            c.Query<(long Purpose, long Sum)>(
                    "SELECT purpose, sum(amount) FROM journal_line GROUP BY purpose HAVING sum(amount) <> 0"
                )
                .Select(l => $"purpose {l.Purpose} {l.Sum}")
                .ToArray()
        );
        return [.. accounts, .. open, .. journal];
    }

    // Each receipt is what it settles, what was moved of it, and what is left.
    private void PartsTie()
    {
        foreach (var (entry, document, net, left) in Receipts())
        {
            var settled = _t
                .Books.Read(c => _corrections.Of(c, entry))
                .Where(s => s.Credit.Item.Kind == ItemKind.Receipt && s.Credit.Item.Document == document)
                .Sum(s => s.Allocation.Cash.Minor);
            var moved = _t.Books.Read(c =>
                MoveDesk.MovedOf(
                    c,
                    c.ExecuteScalar<long>("SELECT id FROM document WHERE entry_id = @entry", new { entry })
                )
            );
            (settled + moved - left).ShouldBe(net, document);
        }
    }

    private List<(long Entry, string Document, long Net, long Left)> Receipts() =>
        _t.Books.Read(c =>
            c.Query<(long, string, long, long)>(
                    """
                    SELECT e.id, d.number, d.net, i.open FROM entry e JOIN document d ON d.entry_id = e.id
                        JOIN item i ON i.document_id = d.id
                    WHERE e.kind = @receipt AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
                    """,
                    new { receipt = PostingKind.Receipt }
                )
                .AsList()
        );

    private void SetOff()
    {
        var credit = Any(Items("PEL01").Where(i => i.Left.Minor < 0).ToArray());
        var debit = Any(Debits("PEL01"));
        var most = Math.Min(-credit.Left.Minor, debit.Left.Minor);
        var amount = Money.FromMinor(_random.Next(2) == 0 ? most : _random.NextInt64(1, most + 1), credit.Currency);
        var account = Account("PEL01");
        var set = Same(
            () =>
                _t.Books.Read(c =>
                    _t.Allocations.Preview(
                        c,
                        account,
                        credit.Id,
                        [(debit.Id, amount)],
                        TestBooks.Today,
                        Rules.Of(c, TestBooks.Today)
                    )
                ),
            () => _t.Write(tx => _t.Allocations.Set(tx, account, credit.Id, [(debit.Id, amount)], TestBooks.Today))
        );
        // What is merely set off changes nothing that is owed in all.
        set.After.Exposure.ShouldBe(set.Before.Exposure);
        set.After.Ageing.Sum().ShouldBe(set.Before.Ageing.Sum());
    }

    private void Pay()
    {
        var items = Debits("PEL01").OrderBy(_ => _random.Next()).Take(_random.Next(0, 3)).Select(i => i.Id).ToArray();
        _t.Pay(_random.Next(1, 90_000) / 100m, $"2026-03-{_random.Next(1, 17):D2}", items);
    }

    private SettledBy Link() =>
        Any(Receipts().SelectMany(r => _t.Books.Read(c => _corrections.Of(c, r.Entry))).ToArray());

    private void Undo() =>
        Correct(
            Link(),
            (s, rules) =>
                AllocationCorrection.Undo(s.Allocation, s.Credit.Item, s.Debit.Item, s.Debit.Amounts, "undone", rules)
        );

    private void Grant()
    {
        var link = Link();
        var missed = Any(
            MissedDiscount.Of(link.Allocation, link.Debit.Item, link.Credit.Item, RoundingRule.HalfAwayFromZero)
        );
        Correct(
            link,
            (s, rules) =>
                AllocationCorrection.Grant(
                    s.Allocation,
                    s.Credit.Item,
                    s.Debit.Item,
                    s.Debit.Amounts,
                    missed.Step.Deadline,
                    "overlooked",
                    Actor.Program("tester").Authority,
                    rules
                )
        );
    }

    private void Correct(SettledBy link, Func<SettledBy, BooksRules, Posting> decide) =>
        Same(
            () =>
                _t.Books.Read(c =>
                {
                    var rules = Rules.Of(c, TestBooks.Today);
                    return _corrections.Preview(c, link.Allocation.Id, s => decide(s, rules), rules);
                }),
            () => _t.Write(tx => _corrections.Post(tx, link.Allocation.Id, s => decide(s, tx.Rules())))
        );

    private void WriteOff()
    {
        var item = Any(Debits("PEL01"));
        var amount = Money.FromMinor(_random.NextInt64(1, item.Left.Minor + 1), item.Currency);
        _t.Write(tx =>
            _corrections.Post(
                tx,
                Account("PEL01"),
                item.Id,
                i =>
                    WriteOffPosting.Of(i, amount, _random.Next(2) == 0, false, "a rest", tx.Actor.Authority, tx.Rules())
            )
        );
    }

    private void Move()
    {
        var receipt = Any(Receipts());
        var here = _t.Books.Read(c => LedgerView.AccountOf(c, receipt.Entry));
        var to = _random.Next(2) == 0 ? null : new EntryPlacement(here == "PEL01" ? "HAR01" : "PEL01", null, "theirs");
        var part = _random.Next(2) == 0;
        var request = new MoveRequest(
            currency => part ? Money.FromMinor(_random.NextInt64(1, receipt.Net + 1), currency) : null,
            to,
            "wrong account"
        );
        MovedReceipt? shown = null;
        if (!part)
            shown = _t.Books.Read(c =>
                _moves.Preview(
                    c,
                    receipt.Entry,
                    request,
                    Actor.Program("tester").Authority,
                    Rules.Of(c, TestBooks.Today)
                )
            );
        var moved = _t.Write(tx => _moves.Post(tx, receipt.Entry, request));
        if (shown is not null)
            (shown.From.After.Exposure, shown.To?.After.Exposure).ShouldBe(
                (moved.From.After.Exposure, moved.To?.After.Exposure)
            );
    }

    private void Assign()
    {
        var waiting = Any(_t.Books.Read(c => UnassignedDesk.All(c, 0, 100)));
        var code = _random.Next(2) == 0 ? "PEL01" : "HAR01";
        if (_random.Next(3) == 0)
            _t.Write(tx => UnassignedDesk.TakeBack(tx, waiting.Id, "it was theirs"));
        else
            _t.Write(tx => _unassigned.Assign(tx, waiting.Id, new(code, null, "known by now")));
    }

    private void Reverse(long entry) =>
        Same(
            () =>
                _t.Books.Read(c =>
                    ReversalDesk.Preview(c, entry, "taken back", Authority.Unbounded, Rules.Of(c, TestBooks.Today))
                ),
            () => _t.Write(tx => ReversalDesk.Reverse(tx, entry, "taken back"))
        );

    private static Effect<T> Same<T>(Func<Effect<T>> preview, Func<Effect<T>> post)
    {
        var (shown, posted) = (preview(), post());
        shown.Journal.ShouldBe(posted.Journal);
        (shown.After.Exposure, shown.After.Uncleared, shown.After.Overdue).ShouldBe(
            (posted.After.Exposure, posted.After.Uncleared, posted.After.Overdue)
        );
        shown.After.Ageing.ShouldBe(posted.After.Ageing);
        return posted;
    }
}
