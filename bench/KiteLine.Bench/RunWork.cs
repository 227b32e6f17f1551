using System.Diagnostics;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Bench;

/// <summary>Runs over the large book over HTTP: proposed, and posted while others read.</summary>
/// <param name="importOfARow">Seconds that `.import` takes for a row, taken now.</param>
internal sealed class RunWork(string database, Func<double> importOfARow, Results results)
{
    private const string Policy = "BENCH";

    // A run over the whole book goes on for longer; what is read beside it comes after this.
    private static readonly TimeSpan Watched = TimeSpan.FromSeconds(20);

    /// <summary>A policy and a plan that every account gets by default.</summary>
    internal static void SetUp(Books books) =>
        books.Write(
            "bench",
            tx =>
            {
                PolicyStore.Save(
                    tx,
                    PolicyKind.LateCharge,
                    Policy,
                    "Bench",
                    new LateChargePolicy
                    {
                        Label = "Late charge",
                        Rates = [new(new(2000, 1, 1), 8)],
                        DayCount = DayCount.Of("act/365f"),
                    },
                    0
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    Policy,
                    "Bench",
                    new ReminderPlan
                    {
                        Levels =
                        [
                            new()
                            {
                                DaysAfterDue = 7,
                                LateCharge = Treatment.Show,
                                Texts = [new("", "Reminder", "Please pay {{ total }}.", "")],
                            },
                        ],
                    },
                    0
                );
                var stored = CompanyStore.Get(tx.Connection);
                var defaults = stored.Settings.Defaults with { LateChargePolicy = Policy, ReminderPlan = Policy };
                return CompanyStore.Change(tx, stored.Settings with { Defaults = defaults }, stored.Version);
            }
        );

    internal void Run(Caller caller, Func<int, string> board, Func<int, string> account, Func<double> empty)
    {
        // The first of each finds nothing at hand yet, as the first of a day does; the second is what a day has.
        Proposed(caller, "reminders", "reminder proposal over the whole book, kept", "5 s");
        var id = Proposed(caller, "late-charges", "late-charge proposal over the whole book, kept", "3 s");
        Posted(caller, id, board, account, empty);
    }

    private long Proposed(Caller caller, string kind, string what, string bound)
    {
        JsonElement run = default;
        var times = new List<double>();
        for (var i = 0; i < 2; i++)
        {
            if (i > 0)
                caller.Send($"/api/runs/{run.GetProperty("id")}/discard", "{\"reason\":\"bench\"}");
            times.Add(Clock.Milliseconds(() => run = caller.Send("/api/runs", $"{{\"kind\":\"{kind}\"}}")) / 1000);
        }

        results.Plain($"{what}, {Ready(run):N0} accounts", Results.Seconds(times.Min()), "—", "—", bound);
        return run.GetProperty("id").GetInt64();
    }

    private void Posted(Caller caller, long id, Func<int, string> board, Func<int, string> account, Func<double> empty)
    {
        var nothing = empty();
        var (rows, ready) = (Rows(), Left());
        var clock = Stopwatch.StartNew();
        caller.Send($"/api/runs/{id}/post", "{\"send\":false}");
        Thread.Sleep(Watched);
        var (left, seconds, written) = (Left(), clock.Elapsed.TotalSeconds, Rows() - rows);
        clock.Restart();
        var boards = Clock.P95(i => caller.Get(board(i)), 200);
        var accounts = Clock.P95(i => caller.Get(account(i)), 200);
        var beside = (left - Left()) / clock.Elapsed.TotalSeconds;
        caller.Send($"/api/runs/{id}/stop", "{}");
        while (caller.Fetch($"/api/runs/{id}?lines=false").GetProperty("state").GetString() == "posting")
            Thread.Sleep(100);
        results.Ratio(
            $"posting a run, {(ready - left) / seconds:N0} accounts a second, each with all that is kept of it",
            seconds,
            written * importOfARow(),
            $"`.import` of {written:N0} rows, as many as were written",
            "4 ×"
        );
        results.Plain("the same while another reads without a pause", $"{beside:N0} accounts a second", "—", "—", "—");
        results.Beside(
            "first page of the board, p95, while a run posts",
            boards,
            nothing,
            "an empty endpoint",
            "+ 40 ms"
        );
        results.Beside("an account's page, p95, while a run posts", accounts, nothing, "an empty endpoint", "+ 40 ms");

        long Left() => Ready(caller.Fetch($"/api/runs/{id}?lines=false"));
    }

    private static long Ready(JsonElement run) =>
        run.GetProperty("counts")
            .EnumerateArray()
            .Where(c => c.GetProperty("state").GetString() == "ready")
            .Sum(c => c.GetProperty("accounts").GetInt64());

    // What a posting of a charge writes, without what is worked out anew of it.
    private long Rows()
    {
        using var connection = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={database};Mode=ReadOnly");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = """
            SELECT (SELECT max(id) FROM entry) + (SELECT count(*) FROM journal_line) + (SELECT max(id) FROM document)
                + (SELECT max(id) FROM item) + (SELECT count(*) FROM movement) + (SELECT count(*) FROM charge_line)
                + (SELECT coalesce(max(id), 0) FROM run_posting) + (SELECT max(id) FROM audit)
            """;
        return (long)command.ExecuteScalar()!;
    }
}
