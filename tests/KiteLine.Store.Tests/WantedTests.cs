using Dapper;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Work that nobody waits for any more ends, with nothing stored; work that others wait for goes on.</summary>
public sealed class WantedTests : IDisposable
{
    private const string Endless =
        "WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n) SELECT count(*) FROM n";

    private readonly TestBooks _books = new();

    public void Dispose() => _books.Dispose();

    private static CancellationTokenSource LeavesSoon()
    {
        var leaves = new CancellationTokenSource(TimeSpan.FromMilliseconds(50));
        Wanted.By(leaves.Token);
        return leaves;
    }

    private long Groups() => _books.Books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM account_group"));

    [Fact]
    public void A_read_without_an_end_ends_with_its_caller()
    {
        using (LeavesSoon())
            Should.Throw<OperationCanceledException>(() => _books.Books.Read(c => c.ExecuteScalar<long>(Endless)));
        // Whoever left is not let in again, and the connection serves the next.
        Should.Throw<OperationCanceledException>(() => Groups());
        Wanted.By(CancellationToken.None);
        Groups().ShouldBe(0);
    }

    [Fact]
    public void What_was_written_for_a_caller_who_left_is_undone()
    {
        using (LeavesSoon())
            Should.Throw<OperationCanceledException>(() =>
                _books.Books.Write(
                    "tests",
                    tx =>
                    {
                        GroupStore.Add(tx, "Half done", null, "");
                        return tx.Connection.ExecuteScalar<long>(Endless);
                    }
                )
            );
        Wanted.By(CancellationToken.None);
        Groups().ShouldBe(0);
        // The writer is free again.
        _books.Books.Write("tests", tx => GroupStore.Add(tx, "Whole", null, ""));
        Groups().ShouldBe(1);
    }

    [Fact]
    public async Task Who_waits_for_the_writer_leaves_without_it()
    {
        using var writing = new ManualResetEventSlim();
        using var done = new ManualResetEventSlim();
        var other = Task.Run(() =>
            _books.Books.Write(
                "tests",
                _ =>
                {
                    writing.Set();
                    done.Wait();
                    return 0;
                }
            )
        );
        writing.Wait(TestContext.Current.CancellationToken);
        using (LeavesSoon())
            Should.Throw<OperationCanceledException>(() =>
                _books.Books.Write("tests", tx => GroupStore.Add(tx, "Late", null, ""))
            );
        Wanted.By(CancellationToken.None);
        done.Set();
        await other;
        Groups().ShouldBe(0);
    }

    [Fact]
    public void What_all_wait_for_is_finished_whoever_leaves()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        Wanted.By(left.Token);
        Wanted.ByAll(Groups).ShouldBe(0);
        Should.Throw<OperationCanceledException>(() => Groups());
        Wanted.By(CancellationToken.None);
    }
}
