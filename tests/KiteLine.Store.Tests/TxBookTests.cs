using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>What a transaction reads of an account it reads anew after everything that was written.</summary>
public sealed class TxBookTests : IDisposable
{
    private readonly TestBooks _t = new();
    private readonly SnapshotKeeper _snapshots;

    public TxBookTests() => _snapshots = new(_t.Books);

    public void Dispose()
    {
        _snapshots.Dispose();
        _t.Dispose();
    }

    [Fact]
    public void It_is_the_one_in_memory_until_something_is_written_and_never_an_old_one_after_it()
    {
        var before = _snapshots.Current.Find("PEL01").ShouldNotBeNull();
        _t.Write(tx =>
        {
            var account = AccountStore.Get(tx.Connection, "PEL01");
            tx.Book(account).ShouldBeSameAs(before);
            // Written without a word to the transaction.
            tx.Connection.Execute("UPDATE account SET name = 'Changed' WHERE id = @Id", new { account.Id });
            var changed = tx.Book(account);
            changed.Name.ShouldBe("Changed");
            tx.Book(account).ShouldBeSameAs(changed);
            // What is no part of an account leaves it as it is.
            tx.Beside(() => tx.Connection.Execute("UPDATE company SET version = version"));
            tx.Book(account).ShouldBeSameAs(changed);
            tx.Connection.Execute("UPDATE account SET name = 'Again' WHERE id = @Id", new { account.Id });
            tx.Touch(account.Id);
            return 0;
        });
        _snapshots.Current.Find("PEL01")!.Name.ShouldBe("Again");
    }

    [Fact]
    public void What_another_program_wrote_is_read_from_the_books()
    {
        _ = _snapshots.Current;
        using (var other = Books.Open(_t.Books.Path))
            other.Write(
                "tests",
                tx =>
                {
                    tx.Connection.Execute("UPDATE account SET name = 'By another' WHERE code = 'PEL01'");
                    tx.TouchAll();
                    return 0;
                }
            );
        _t.Write(tx => tx.Book(AccountStore.Get(tx.Connection, "PEL01")).Name).ShouldBe("By another");
    }

    [Fact]
    public void Another_account_is_not_taken_for_the_one_that_was_read()
    {
        _t.Write(tx => AccountStore.Open(tx, new("Harbour", Code: "HAR01")));
        _ = _snapshots.Current;
        _t.Write(tx =>
                new[] { "PEL01", "HAR01", "PEL01" }
                    .Select(code => tx.Book(AccountStore.Get(tx.Connection, code)).Code)
                    .ToArray()
            )
            .ShouldBe(["PEL01", "HAR01", "PEL01"]);
    }

    [Fact]
    public void What_was_moved_is_read_alone_and_comes_to_what_the_whole_account_comes_to()
    {
        var old = _t.Invoice(100, "2026-01-01");
        _t.Invoice(200, "2026-01-02");
        _t.Write(tx => AccountStore.Open(tx, new("Harbour", Code: "HAR01")));
        _ = _snapshots.Current;
        _t.Write(tx =>
        {
            var (pel, har) = (AccountStore.Get(tx.Connection, "PEL01"), AccountStore.Get(tx.Connection, "HAR01"));
            tx.Book(pel).Items.Length.ShouldBe(2);
            var gbp = Currency.Of("GBP");
            PostingStore.Post(tx, har, Invoice("H-1", 40));
            PostingStore.Post(tx, pel, Invoice("P-3", 50));
            SameAsRead(tx, pel);
            tx.Book(pel).Items.Select(i => i.Open).ShouldBe([10_000, 20_000, 5_000]);
            SameAsRead(tx, har);
            return 0;

            Posting Invoice(string number, decimal amount) =>
                InvoicePosting.Invoice(
                    number,
                    new(2026, 3, 1),
                    new InvoiceAmounts(Money.Exact(amount, gbp), Money.Zero(gbp), Money.Zero(gbp)),
                    PolicyStore.TermsByText(tx, "n/30").Definition.ToTerms(),
                    tx.Rules()
                );
        });
        _t.Pay(30, "2026-02-01", old);
        var kept = _snapshots.Current.Find("PEL01")!;
        kept.Items.Select(i => i.Open).ShouldBe([7_000, 20_000, 5_000, 0]);
        // Opened and paid on the first, opened on the others; the receipt is opened and used.
        kept.Items.Select(i => i.Movements).ShouldBe([2, 1, 1, 2]);
    }

    private static void SameAsRead(Tx tx, Account account)
    {
        var (kept, read) = (tx.Book(account), BookLoader.Load(tx.Connection, [account.Id])[0]);
        kept.Items.ShouldBe(read.Items);
        kept.ItemIds.ShouldBe(read.ItemIds);
        kept.Movements.ShouldBe(read.Movements);
    }
}
