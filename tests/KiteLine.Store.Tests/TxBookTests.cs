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
}
