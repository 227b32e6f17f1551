using System.Globalization;
using System.IO.Compression;
using System.Runtime.CompilerServices;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// Books that the version before made (migrations up to 0011), kept as a file with the figures that it showed, are
/// brought up to date.
/// </summary>
public sealed class UpgradeTests : IDisposable
{
    private static readonly DateOnly Today = new(2026, 3, 6);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-upgrade");
    private readonly Books _books;
    private readonly ItemStore _items = new(new VersionCache());

    public UpgradeTests()
    {
        var path = Path.Combine(_folder.FullName, "books.db");
        using (var kept = new GZipStream(File.OpenRead(Kept("books-0011.db.gz")), CompressionMode.Decompress))
        using (var file = File.Create(path))
            kept.CopyTo(file);
        _books = Books.Open(path);
    }

    public void Dispose()
    {
        _books.Dispose();
        _folder.Delete(recursive: true);
    }

    private static string Kept(string name, [CallerFilePath] string here = "") =>
        Path.Combine(Path.GetDirectoryName(here)!, "..", "books", name);

    private Account Account(string code) => _books.Read(c => AccountStore.Get(c, code));

    private Item Item(string code, string document) =>
        _books.Read(c => _items.Items(c, Account(code), alsoClosed: true)).Single(i => i.Document == document);

    [Fact]
    public void A_backup_of_an_older_version_is_restored_and_brought_up_to_date()
    {
        var backup = Path.Combine(_folder.FullName, "older.db");
        using (var kept = new GZipStream(File.OpenRead(Kept("books-0011.db.gz")), CompressionMode.Decompress))
        using (var file = File.Create(backup))
            kept.CopyTo(file);
        var before = File.ReadAllBytes(backup);
        var into = Path.Combine(_folder.FullName, "restored");
        var facts = Backup.Restore(backup, into, overNewer: false);
        facts.BroughtUpToDate.ShouldBeTrue();
        File.ReadAllBytes(backup).ShouldBe(before);
        Directory.GetFiles(into).Select(Path.GetFileName).ShouldBe(["books.db"]);
        using var books = Books.Open(facts.File);
        books.Read(c => Verifier.Check(c, facts.Head)).ShouldBeEmpty();
        books
            .Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM document"))
            .ShouldBe(_books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM document")));
    }

    [Fact]
    public void One_that_does_not_add_up_is_refused_and_the_books_in_its_place_stay()
    {
        var backup = Path.Combine(_folder.FullName, "older.db");
        using (var kept = new GZipStream(File.OpenRead(Kept("books-0011.db.gz")), CompressionMode.Decompress))
        using (var file = File.Create(backup))
            kept.CopyTo(file);
        using (var spoilt = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={backup};Pooling=False"))
        {
            spoilt.Open();
            spoilt.Execute("UPDATE item SET open = open + 1 WHERE id = (SELECT max(id) FROM item WHERE open > 0)");
        }

        var into = Path.Combine(_folder.FullName, "restored");
        using (var there = Books.Open(Path.Combine(into, "books.db")))
            there.Write("tests", tx => CompanyStore.IsNew(tx.Connection));
        Should.Throw<UnsoundBooksException>(() => Backup.Restore(backup, into, overNewer: true));
        Directory.GetFiles(into).Select(Path.GetFileName).ShouldBe(["books.db"]);
    }

    [Fact]
    public void The_books_are_sound_and_show_the_figures_they_showed_before()
    {
        _books.Read(Verifier.Check).ShouldBeEmpty();
        var expected = JsonDocument.Parse(File.ReadAllText(Kept("books-0011.json"))).RootElement;
        var compared = 0;
        foreach (var entry in expected.EnumerateObject().Where(e => e.Value.ValueKind != JsonValueKind.Null))
        {
            var (code, what) = (entry.Name.Split(' ')[0], entry.Name.Split(' ')[1]);
            var account = Account(code);
            string Figure(long minor) => Money.FromMinor(minor, account.Currency).ToString();
            if (what == "ledger")
            {
                var rows = _books
                    .Read(c => LedgerView.OfAccount(c, account))
                    .Select(r =>
                        $"{JsonNamingPolicy.CamelCase.ConvertName(r.Kind.ToString())} {r.Number} {Figure(r.Change)}"
                    )
                    .Reverse();
                rows.ShouldBe(
                    entry
                        .Value.EnumerateArray()
                        .Select(r => $"{r[0].GetString()} {r[1].GetString()} {r[2].GetString()}"),
                    entry.Name
                );
            }
            else
            {
                var position = _books.Read(c =>
                    Rules.Position(c, account, DateOnly.Parse(what, CultureInfo.InvariantCulture))
                );
                (string Name, long Minor)[] figures =
                [
                    ("exposure", position.Exposure),
                    ("overdue", position.Overdue),
                    ("limit", position.EffectiveLimit),
                ];
                foreach (var (name, minor) in figures)
                    Figure(minor).ShouldBe(entry.Value.GetProperty(name).GetString(), $"{entry.Name} {name}");
            }

            compared++;
        }

        compared.ShouldBe(12);
    }

    [Fact]
    public void What_receipts_had_settled_stands_as_allocations_and_what_was_reversed_is_undone()
    {
        // The cheque of 700.00 on A-100 bounced; 40.00 of another receipt stayed. Q-1 was settled by 1,188.00; the
        // other 12.00 are open.
        var rows = _books.Read(c =>
            c.Query<(string Document, long Cash, long Discount, long WriteOff, long Undone)>(
                    """
                    SELECT d.number, a.cash, a.discount, a.write_off,
                        EXISTS (SELECT 1 FROM allocation_undone u WHERE u.allocation_id = a.id)
                    FROM allocation a JOIN item i ON i.id = a.debit_item_id JOIN document d ON d.id = i.document_id
                        ORDER BY a.entry_id
                    """
                )
                .Select(r => $"{r.Document} {r.Cash} {r.Discount} {r.WriteOff} {r.Undone}")
                .ToList()
        );
        rows.ShouldBe(["Q-1 118800 0 0 0", "A-100 70000 0 0 1", "A-100 4000 0 0 0"]);
    }

    [Fact]
    public void Requests_that_were_carried_out_are_not_carried_out_again()
    {
        foreach (var key in new[] { "old-1", "old-2" })
        {
            var again = _books.Read(c =>
                Requests.Earlier(c, MarkedRequest.Of("key boss", key, "whatever is asked"u8)!)
            );
            again.ShouldNotBeNull().Content.ShouldBeNull("the answer of before cannot be told again");
        }

        _books
            .Read(c => Requests.Earlier(c, MarkedRequest.Of("key boss", "new-1", "whatever is asked"u8)!))
            .ShouldBeNull();
    }

    /// <summary>
    /// A-100, 1,200.00 due 4 February at 10 % act/365f: 3.62 was raised through 15 February and 6.04 through 6 March.
    /// Worked by hand: 40.00 that came in by 10 February were posted after the first charge, 13,000 pound-days are
    /// 3.56; 160.00 by 20 February make the second 19,800 pound-days, 5.42.
    /// </summary>
    [Fact]
    public void A_charge_of_before_stands_and_what_was_posted_behind_it_is_made_good()
    {
        var ledgers = new AccountLedgers(_items);
        string Correction() =>
            _books
                .Read(c =>
                    AccountCharges
                        .On(
                            ledgers.Of(c, Account("HARB1")).Items,
                            ledgers.Of(c, Account("HARB1")).Policy!,
                            Today,
                            Today,
                            Rules.Of(c, Today)
                        )
                        .Lines
                )
                .Single(l => l.Item.Document == "A-100")
                .Correction.ToString();
        Item("HARB1", "A-100")
            .Raised.Select(r => $"{r.Amount} {r.AsRaised} {r.Policy is not null}")
            .ShouldBe(["3.62 True True", "6.04 True True"]);
        Correction().ShouldBe("-0.06");

        var item = Item("HARB1", "A-100");
        _books.Write(
            "tester",
            tx =>
                new ReceiptDesk(_items).Take(
                    tx,
                    "HARB1",
                    new(
                        new(2026, 2, 20),
                        160,
                        "late in the post",
                        new Dictionary<long, PaymentChoice> { [item.Id] = new() }
                    )
                )
        );
        Correction().ShouldBe("-0.68");
        var raised = _books.Write("tester", tx => new LateChargeDesk(ledgers).Raise(tx, "HARB1", Today));
        raised.Detail.Gross.ToString().ShouldBe("-0.68");
        Should.Throw<RefusedException>(() =>
            _books.Write("tester", tx => new LateChargeDesk(ledgers).Raise(tx, "HARB1", Today))
        );
        _books.Read(Verifier.Check).ShouldBeEmpty();
    }

    /// <summary>The letters asked for 5.00, then 10.00 that took its place, and 12.00 that was posted.</summary>
    [Fact]
    public void Fees_of_letters_of_before_are_asked_for_once() =>
        _books
            .Read(c => ToSettle.For(new AccountLedgers(_items).Of(c, Account("HARB1")), Today, Rules.Of(c, Today)))
            .Fees.ToString()
            .ShouldBe("22.00");
}
