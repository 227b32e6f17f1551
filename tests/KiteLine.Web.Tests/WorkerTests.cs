using Dapper;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Hosting;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Work behind the requests: whatever goes wrong in it, it is tried again, and the program goes on.</summary>
public sealed class WorkerTests : IDisposable
{
    private readonly TestApp _app = new();

    public void Dispose() => _app.Dispose();

    /// <param name="act">What it does the how many-th time, counted from 1.</param>
    private sealed class Trying(Books books, Action<int> act) : Worker(books)
    {
        private readonly SemaphoreSlim _done = new(0);
        private int _tries;

        protected override string Subject => "The trial";

        protected override void Work(CancellationToken stop)
        {
            try
            {
                act(++_tries);
            }
            finally
            {
                _done.Release();
            }
        }

        internal async Task Done(int times)
        {
            for (var i = 0; i < times; i++)
                (await _done.WaitAsync(TimeSpan.FromSeconds(60))).ShouldBeTrue();
        }
    }

    [Fact]
    public async Task Whatever_it_throws_it_is_tried_again_and_never_ends()
    {
        using var worker = new Trying(
            _app.Books,
            t =>
            {
                if (t == 1)
                    throw new InvalidOperationException("Nobody foresaw this.");
                if (t == 2)
                    throw new OperationCanceledException("Nobody cancelled it.");
            }
        );
        await ((IHostedService)worker).StartAsync(CancellationToken.None);
        await worker.Done(3);
        // It is there for the next commit too.
        _app.Books.Write("tests", tx => tx.Connection.Execute("UPDATE company SET changes = changes"));
        await worker.Done(1);
        worker.ExecuteTask!.IsCompleted.ShouldBeFalse();
        worker.Trouble.ShouldBeNull();
        await ((IHostedService)worker).StopAsync(CancellationToken.None);
        worker.ExecuteTask!.IsCompletedSuccessfully.ShouldBeTrue();
    }

    [Fact]
    public async Task Readiness_says_what_has_kept_it_from_its_work_for_several_tries()
    {
        using var worker = new Trying(_app.Books, _ => throw new SqliteException("database is locked", 5));
        await ((IHostedService)worker).StartAsync(CancellationToken.None);
        await worker.Done(3);
        for (var i = 0; i < 600 && worker.Trouble is null; i++)
            await Task.Delay(100);
        worker.Trouble.ShouldBe("The trial waits: database is locked");
        var said = await new Readiness(_app.Desk, [worker]).CheckHealthAsync(new());
        said.Status.ShouldBe(Microsoft.Extensions.Diagnostics.HealthChecks.HealthStatus.Degraded);
        said.Description.ShouldBe("The trial waits: database is locked");
        await ((IHostedService)worker).StopAsync(CancellationToken.None);
    }

    /// <summary>1, 2, 4 … seconds, and never more than a minute.</summary>
    [Theory]
    [InlineData(0, 0)]
    [InlineData(1, 1)]
    [InlineData(2, 2)]
    [InlineData(3, 4)]
    [InlineData(6, 32)]
    [InlineData(7, 60)]
    [InlineData(1000000, 60)]
    public void It_waits_longer_after_each_failure(int failures, int seconds) =>
        Worker.PauseAfter(failures).ShouldBe(TimeSpan.FromSeconds(seconds));
}
