using Dapper;
using DuckDB.NET.Data;
using KiteLine.Core;
using KiteLine.Store;
using KiteLine.Tests;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// A run over a whole book, read out of memory, against what DuckDB works out of the raw rows, and against the same accounts
/// read one by one.
/// </summary>
public sealed class RunsOfABookTests : IDisposable
{
    private const int Accounts = 260;
    private static readonly DateOnly Today = new(2026, 3, 16);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-runs");
    private readonly Books _books;
    private readonly VersionCache _versions = new();
    private readonly AccountLedgers _ledgers;

    public RunsOfABookTests()
    {
        var path = Path.Combine(_folder.FullName, "books.db");
        EmptyBooks.PutAt(path);
        _books = Books.Open(path);
        _ledgers = new(new ItemStore(_versions));
        _books.Write("tests", Fill);
    }

    public void Dispose()
    {
        _books.Dispose();
        _folder.Delete(recursive: true);
    }

    // Each account has five invoices in the last half-year; some are paid late, in part or whole, on any day.
    private static bool Fill(Tx tx)
    {
        CompanyStore.Create(tx, new CompanySettings { Name = "Many", PinnedBusinessDate = Today });
        PolicyStore.Save(
            tx,
            PolicyKind.LateCharge,
            "STD",
            "Standard",
            new LateChargePolicy { Rates = [new(new(2000, 1, 1), 12)], DayCount = DayCount.Of("act/365f") },
            0
        );
        var random = new Random(13);
        var (terms, gbp) = (PolicyStore.TermsByText(tx, "n/30"), Currency.Of("GBP"));
        for (var a = 0; a < Accounts; a++)
        {
            var account = AccountStore.Open(tx, new($"Customer {a}", Terms: "n/30", LateChargePolicy: "STD"));
            for (var i = 0; i < 5; i++)
            {
                var net = Money.FromMinor(random.Next(100, 900_000), gbp);
                var date = Today.AddDays(-random.Next(1, 180));
                var posting = InvoicePosting.Invoice(
                    null,
                    date,
                    new InvoiceAmounts(net, Money.Zero(gbp), Money.Zero(gbp)),
                    terms.Definition.ToTerms(),
                    tx.Rules()
                );
                var item = PostingStore.Post(tx, account, posting, terms.Id).ItemIds[0];
                if (random.Next(3) == 0)
                    Pay(tx, account, item, net, date.AddDays(random.Next(1, 100)), random);
            }
        }

        return true;
    }

    private static void Pay(Tx tx, Account account, long item, Money net, DateOnly day, Random random)
    {
        if (day > Today)
            return;
        var paid = random.Next(2) == 0 ? net : Money.FromMinor(Math.Max(1, net.Minor / 3), net.Currency);
        new ReceiptDesk(new ItemStore(new VersionCache())).Take(
            tx,
            account.Code,
            new(day, paid.Amount, "ref", new Dictionary<long, PaymentChoice> { [item] = new() })
        );
    }

    [Fact]
    public void A_run_of_late_charges_comes_to_what_the_raw_rows_come_to()
    {
        var lines = Proposed(RunKind.LateCharges);
        lines.Count.ShouldBeGreaterThan(200);
        var ours = lines.SelectMany(l => l.Line.Items).ToDictionary(i => i.Item, i => i.Amount.Minor);
        ours.ShouldBe(Raw(), ignoreOrder: true);
        foreach (var (account, line) in lines)
            OneByOne(RunKind.LateCharges, account.Code)!.SameAs(line).ShouldBeTrue(account.Code);
    }

    [Fact]
    public void Posted_it_leaves_nothing_and_a_receipt_of_before_is_corrected_to_what_the_raw_rows_come_to()
    {
        Post(Today);
        Proposed(RunKind.LateCharges).ShouldBeEmpty();
        var before = Raw();

        // Ten customers turn out to have paid in February what was charged to the middle of March.
        var late = _books.Read(c =>
            c.Query<(long Item, string Code, long Open)>(
                    """
                    SELECT i.id, a.code, i.open FROM item i JOIN account a ON a.id = i.account_id
                    WHERE i.kind = 0 AND i.open > 10000 AND i.due < '2026-01-15' ORDER BY i.id LIMIT 10
                    """
                )
                .AsList()
        );
        late.Count.ShouldBe(10);
        foreach (var (item, code, open) in late)
            Found(code, item, open, new(2026, 2, 10));
        var after = Raw();
        Proposed(RunKind.LateCharges)
            .SelectMany(l => l.Line.Items)
            .ToDictionary(i => i.Item, i => i.Amount.Minor)
            .ShouldBe(
                late.ToDictionary(l => l.Item, l => after.GetValueOrDefault(l.Item) - before[l.Item]),
                ignoreOrder: true
            );
        _books.Read(Verifier.Check).ShouldBeEmpty();
    }

    /// <summary>
    /// Posted, paid from before, posted again, taken back in part: replayed under the own policies, and under the same one as if
    /// it were another, it comes to what was posted on every item.
    /// </summary>
    [Fact]
    public void Replayed_it_comes_to_what_was_posted()
    {
        Post(new(2026, 1, 31));
        var late = _books.Read(c =>
            c.Query<(long Item, string Code, long Open)>(
                    "SELECT i.id, a.code, i.open FROM item i JOIN account a ON a.id = i.account_id "
                        + "WHERE i.kind = 0 AND i.open > 10000 AND i.due < '2026-01-15' ORDER BY i.id LIMIT 40"
                )
                .AsList()
        );
        foreach (var (item, code, open) in late.Take(20))
            Found(code, item, open, new(2026, 1, 20));
        foreach (var code in late.Skip(20).Select(l => l.Code).Distinct())
            _books.Write(
                "tests",
                tx =>
                {
                    var entry = tx.Connection.ExecuteScalar<long>(
                        "SELECT max(e.id) FROM entry e JOIN account a ON a.id = e.account_id "
                            + "WHERE a.code = @code AND e.kind = @LateCharge",
                        new { code, PostingKind.LateCharge }
                    );
                    return ReversalDesk.Reverse(tx, entry, "not yet");
                }
            );
        Post(Today);

        var period = new MeasuredPeriod(Today.AddMonths(-8), Today);
        var posted = _books.Read(c =>
            c.Query<(long Item, long Amount)>(
                    "SELECT l.item_id, sum(l.amount) FROM charge_line l WHERE NOT EXISTS (SELECT 1 FROM entry r "
                        + "WHERE r.reverses = l.entry_id) GROUP BY l.item_id"
                )
                .AsList()
        );
        foreach (
            var change in new[]
            {
                WhatIfChange.None,
                new()
                {
                    LateCharges = _books.Read(c => PolicyStore.LateCharge(c, "STD")),
                    Terms = Shorthand.Read("n/30"),
                },
            }
        )
        {
            var lines = _books.Read(c =>
            {
                var rules = new ReplayRules(Rules.Of(c, Today), Rules.Positions(c, Today));
                return new ReplayReader(c, new(_versions), _versions, period)
                    .Of(c, [.. BookLoader.Load(c)])
                    .SelectMany(f => AccountReplay.Of(f, change, period, rules).Lines)
                    .ToArray();
            });
            lines.Where(l => l.Differs || l.ByOwnRules is not null).ShouldBeEmpty();
            lines.Sum(l => l.Happened?.Minor ?? 0).ShouldBe(posted.Sum(p => p.Amount));
            lines.Length.ShouldBeGreaterThan(300);
        }
    }

    private void Post(DateOnly date)
    {
        var desk = new RunDesk(_ledgers, new RunProposals(_ledgers, _versions));
        var posting = new RunPosting(
            _books,
            _ledgers,
            new ReminderDesk(_ledgers, _ => []),
            (_, _) => { },
            (_, _) => { }
        );
        var run = desk.Propose(
            _books,
            Actor.Program("tests"),
            RunKind.LateCharges,
            date,
            "all",
            c => BookLoader.Load(c)
        );
        _books.Write("tests", tx => RunDesk.Start(tx, run, send: false));
        while (posting.Next(run)) { }
    }

    // Money for an item that turns up after its day.
    private void Found(string code, long item, long open, DateOnly day) =>
        _books.Write(
            "tests",
            tx =>
                new ReceiptDesk(new ItemStore(new VersionCache())).Take(
                    tx,
                    code,
                    new(day, open / 100m, "found", new Dictionary<long, PaymentChoice> { [item] = new() })
                )
        );

    private sealed record Proposal(BookAccount Account, RunLine Line);

    private List<Proposal> Proposed(RunKind kind) =>
        _books.Read(c =>
            new RunProposals(_ledgers, _versions)
                .Of(
                    c,
                    kind,
                    Today,
                    BookLoader.Load(c),
                    Rules.Of(c, Today),
                    (account, line) => new Proposal(account, line)
                )
                .SelectMany(some => some)
                .ToList()
        );

    private RunLine? OneByOne(RunKind kind, string code) =>
        _books.Read(c =>
            AccountRun.Of(kind, _ledgers.Of(c, AccountStore.Get(c, code)), Today, RunChanges.None, Rules.Of(c, Today))
        );

    /// <summary>
    /// Interest at 12 % on each invoice in minor units, in plain SQL over movements: each bears from its value date, or the
    /// due date where that is later, to the last day charged.
    /// </summary>
    private Dictionary<long, long> Raw()
    {
        using var duck = new DuckDBConnection("Data Source=:memory:");
        duck.Open();
        duck.Execute(
            "CREATE TABLE item (id BIGINT, due DATE); CREATE TABLE moved (item BIGINT, day DATE, amount BIGINT)"
        );
        var (items, moved) = _books.Read(c =>
            (
                c.Query<(long Id, string Due)>("SELECT id, due FROM item WHERE kind = 0").AsList(),
                c.Query<(long Item, string Day, long Amount)>("SELECT item_id, value_date, amount FROM movement")
                    .AsList()
            )
        );
        using (var rows = duck.CreateAppender("item"))
            foreach (var (id, due) in items)
                rows.CreateRow().AppendValue(id).AppendValue(DateOnly.Parse(due)).EndRow();
        using (var rows = duck.CreateAppender("moved"))
            foreach (var (item, day, amount) in moved)
                rows.CreateRow().AppendValue(item).AppendValue(DateOnly.Parse(day)).AppendValue(amount).EndRow();
        return duck.Query<(long Id, long Charge)>(
                """
                SELECT i.id, CAST(round(sum(CAST(m.amount AS DECIMAL(30, 0))
                    * greatest(0, DATE '2026-03-16' - greatest(m.day, i.due))) * 12 / 36500.0) AS BIGINT) charge
                FROM item i JOIN moved m ON m.item = i.id GROUP BY i.id HAVING charge <> 0
                """
            )
            .ToDictionary(r => r.Id, r => r.Charge);
    }
}
