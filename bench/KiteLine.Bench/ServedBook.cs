using System.Diagnostics;
using System.Globalization;
using System.Text;
using KiteLine.Core;
using KiteLine.Store;
using KiteLine.Web;

namespace KiteLine.Bench;

/// <summary>The large book served over HTTP: what a caller waits for, at rest and while others write.</summary>
internal sealed class ServedBook(
    string data,
    int accounts,
    int items,
    DateOnly day,
    Func<double> importOfARow,
    Results results,
    string? server
)
{
    private const int Port = 5197;
    private const string Empty = "an empty endpoint";

    private static readonly string[] Sorts =
    [
        "code",
        "-name",
        "headroom",
        "-exposure",
        "utilisation",
        "-overdue",
        "limit",
        "oldestDays",
    ];

    private static readonly string[] Filters = ["", "over-limit", "above-80", "overdue-30", "stop", "overdue,watch"];

    private const string Printing = "`sqlite3` printing the same columns of items and movements";

    private readonly string _database = Path.Combine(data, "books.db");

    internal void Run()
    {
        Say("serving it");
        string key;
        using (var books = DataFolder.OpenCompany(data))
            key = books
                .Write(
                    "bench",
                    tx =>
                    {
                        OwnAccountStore.Add(tx, StatementWork.Own, "GBP", "");
                        return ApiKeyStore.Make(tx, "bench", Role.Controller);
                    }
                )
                .Secret;
        // Before the server starts, so that the columns come from the same warm disk.
        var printed = Clock.Best(
            3,
            () =>
                SqliteProgram.Run(
                    _database,
                    "SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open, m.value_date, m.amount, m.kind, "
                        + "m.entry_id FROM item i JOIN movement m ON m.item_id = i.id ORDER BY i.id, m.seq;"
                )
        );
        using var caller = new Caller(Port, key);
        // A book that was just imported is made ready for finding once; starts after that are the ordinary ones.
        Say("waiting until everything can be found");
        Serve(
            caller,
            (_, _, _) =>
            {
                while (Waits() > 0)
                    Thread.Sleep(500);
            }
        );
        // Each as often as the yardstick, and the shortest as there.
        var killed = new List<double>();
        // The first of them still starts from what the one before it kept when it was stopped.
        Serve(caller, (_, _, _) => { }, stop: Kill);
        for (var i = 0; i < 3; i++)
            Serve(caller, (_, _, all) => killed.Add(all), stop: Kill);
        Serve(caller, (_, _, _) => { });
        var starts = new List<double>();
        for (var i = 0; i < 2; i++)
            Serve(caller, (_, _, all) => starts.Add(all));
        Serve(
            caller,
            (process, _, all) =>
            {
                starts.Add(all);
                const string Page = "first page, from the start of the program";
                results.Ratio(Page, starts.Min(), printed, Printing, "1 ×");
                results.Ratio(Page + ", after one that was killed", killed.Min(), printed, Printing, "—");
                AtRest(caller);
                WhileOthersWrite(caller, key);
                ManyAtOnce(caller);
                Exports(caller, process);
                new StatementWork(_database, day, results).Run(caller);
                Memory("most memory of the server once that statement was proposed and posted too", process);
                new RunWork(_database, importOfARow, results).Run(
                    caller,
                    Board,
                    i => $"/api/accounts/{Account(i)}",
                    () => EmptyEndpoint(caller)
                );
                Memory("most memory of the server once runs were proposed and posted too", process);
                new InsightWork(day, results).Run(caller);
                Memory("most memory of the server once measures were taken too", process);
            }
        );
    }

    // Starts the server, asks for the first page, does the work with it and the seconds until then, and stops it.
    private void Serve(Caller caller, Action<Process, double, double> work, Action<Process>? stop = null)
    {
        var clock = Stopwatch.StartNew();
        using var process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    server ?? typeof(Desk).Assembly.Location,
                    "serve",
                    "--data",
                    data,
                    "--port",
                    $"{Port}",
                    "--business-date",
                    $"{day:yyyy-MM-dd}",
                ]
            )
            {
                RedirectStandardOutput = true,
            }
        )!;
        try
        {
            while (!caller.Answers())
                Thread.Sleep(20);
            var page = Clock.Milliseconds(() => caller.Get(Board(0))) / 1000;
            work(process, page, clock.Elapsed.TotalSeconds);
        }
        finally
        {
            (stop ?? Stop)(process);
            process.WaitForExit();
        }
    }

    private static void Kill(Process process) => process.Kill(entireProcessTree: true);

    // As whoever looks after it does.
    private static void Stop(Process process) => Process.Start("kill", ["-TERM", $"{process.Id}"]).WaitForExit();

    private void AtRest(Caller caller)
    {
        var empty = EmptyEndpoint(caller);
        foreach (var sort in Sorts)
            caller.Get($"/api/accounts?asOf={day:yyyy-MM-dd}&sort={sort}");
        results.Beside(
            "first page of the board, p95, any sort or filter",
            Clock.P95(i => caller.Get(Board(i))),
            empty,
            Empty,
            "+ 40 ms"
        );
        results.Beside("Today, p95", Clock.P95(_ => caller.Get("/api/today"), 100), empty, Empty, "—");
        results.Beside(
            "an account's page, p95, any account",
            Clock.P95(i => caller.Get($"/api/accounts/{Account(i)}")),
            empty,
            Empty,
            "—"
        );
        string[] wanted =
        [
            Account(7),
            $"D{items / 3:D8}",
            $"{items / 7}",
            "kawa",
            "Tulula 5",
            "D00",
            "01736 554",
            "nobody at all",
            "lu",
        ];
        results.Beside(
            "find by any detail, p95",
            Clock.P95(i => caller.Get($"/api/find?q={Uri.EscapeDataString(wanted[i % wanted.Length])}")),
            empty,
            Empty,
            "+ 20 ms"
        );
        results.Beside(
            "may this order go?, p95, any account",
            Clock.P95(i => caller.Post("/api/checks", Order(i))),
            empty,
            Empty,
            "+ 10 ms"
        );
        results.Beside(
            "a receipt previewed, p95, any account",
            Clock.P95(i => caller.Post($"/api/accounts/{Account(i)}/receipts?preview=true", Receipt(i))),
            empty,
            Empty,
            "+ 30 ms"
        );
        results.Beside(
            "a receipt posted, p95, any account",
            Clock.P95(i => caller.Post($"/api/accounts/{Account(i)}/receipts", Receipt(i))),
            Flush(),
            "a flush of the same disk",
            "+ 15 ms"
        );
    }

    private void WhileOthersWrite(Caller caller, string key)
    {
        using var stop = new CancellationTokenSource();
        var writer = Task.Run(() => Post20ASecond(key, stop.Token));
        var empty = EmptyEndpoint(caller);
        results.Beside(
            "first page of the board, p95, any sort or filter, while 20 receipts a second are posted",
            Clock.P95(i => caller.Get(Board(i))),
            empty,
            Empty,
            "+ 40 ms"
        );
        results.Beside(
            "Today, p95, under the same writing",
            Clock.P95(_ => caller.Get("/api/today"), 100),
            empty,
            Empty,
            "—"
        );
        results.Beside(
            "may this order go?, p95, under the same writing",
            Clock.P95(i => caller.Post("/api/checks", Order(i))),
            empty,
            Empty,
            "+ 10 ms"
        );
        stop.Cancel();
        results.Plain(
            "receipts a second that were posted meanwhile",
            $"{writer.GetAwaiter().GetResult():F1}",
            "—",
            "—",
            "20"
        );
    }

    private void ManyAtOnce(Caller caller)
    {
        var (read, reads, write, writes) = Crowd.P95(
            caller,
            i =>
                (i % 3) switch
                {
                    0 => Board(i),
                    1 => $"/api/accounts/{Account(i)}",
                    _ => "/api/today",
                },
            // Other payments than those of before.
            i => caller.Post($"/api/accounts/{Account(i + 20_000)}/receipts", Receipt(i + 20_000))
        );
        results.Plain(
            $"200 readers, a page a second each, and one who posts: reading, p95 of {reads:N0}, no error",
            $"{read:F1} ms",
            "—",
            "—",
            "—"
        );
        results.Plain($"posting beside them, p95 of {writes:N0}, no error", $"{write:F1} ms", "—", "—", "—");
    }

    // The lowest of three: one that happened to be slow would make everything beside it look quick.
    private static double EmptyEndpoint(Caller caller) =>
        Enumerable.Range(0, 3).Select(_ => Clock.P95(_ => caller.Get("/health"))).Min();

    private void Exports(Caller caller, Process process)
    {
        caller.Get($"/api/accounts/export?format=xlsx&asOf={day:yyyy-MM-dd}");
        caller.Get("/api/exchange/customers?format=csv");
        caller.Get("/api/exchange/customers?format=json");
        Memory("most memory of the server with that book, up to here, three exports of all accounts included", process);
    }

    private void Memory(string what, Process process)
    {
        var peak = File.ReadLines($"/proc/{process.Id}/status")
            .First(l => l.StartsWith("VmHWM", StringComparison.Ordinal));
        var megabytes = int.Parse(new string([.. peak.Where(char.IsAsciiDigit)]), CultureInfo.InvariantCulture) / 1024;
        results.Plain(what, $"{megabytes} MB", "—", "—", "600 MB");
    }

    // How many accounts and documents wait to be taken into the index.
    private long Waits()
    {
        using var connection = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={_database};Mode=ReadOnly");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText =
            "SELECT (SELECT count(*) FROM find_queue) + (SELECT max(id) FROM document) - (SELECT document_id FROM "
            + "find_progress)";
        return (long)command.ExecuteScalar()!;
    }

    private string Board(int i) =>
        $"/api/accounts?asOf={day:yyyy-MM-dd}&sort={Sorts[i % Sorts.Length]}&filter={Filters[i % Filters.Length]}"
        + $"&q={(i % 5 == 0 ? "ka" : "")}";

    private string Account(int i) => $"C{1 + (i * 7919 % accounts):D6}";

    private string Order(int i) => $"{{\"account\":\"{Account(i)}\",\"amount\":\"{100 + (i % 50)}.00\"}}";

    private string Receipt(int i) =>
        $"{{\"valueDate\":\"{day:yyyy-MM-dd}\",\"cash\":\"{10 + (i % 90)}.00\",\"items\":[]}}";

    // Gives how many were posted a second.
    private double Post20ASecond(string key, CancellationToken stop)
    {
        using var caller = new Caller(Port, key);
        var clock = Stopwatch.StartNew();
        var posted = 0;
        for (; !stop.IsCancellationRequested; posted++)
        {
            caller.Post($"/api/accounts/{Account(posted)}/receipts", Receipt(posted));
            var ahead = ((posted + 1) * 50) - clock.ElapsedMilliseconds;
            if (ahead > 0)
                stop.WaitHandle.WaitOne((int)ahead);
        }

        return posted / clock.Elapsed.TotalSeconds;
    }

    // What it takes the disk to keep a page for good.
    private double Flush()
    {
        using var file = new FileStream(Path.Combine(data, "flush"), FileMode.Create);
        var page = new byte[4096];
        return Clock.P95(
            _ =>
            {
                file.Write(page);
                file.Flush(flushToDisk: true);
            },
            200
        );
    }

    private static void Say(string what) => Console.Error.WriteLine($"bench: {what} …");
}
