using System.Diagnostics;
using System.Globalization;
using System.Text;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Store;
using KiteLine.Web;

namespace KiteLine.Bench;

/// <summary>
/// The whole book at full size, each piece of work beside a yardstick in the same run. Ratios count, since machines
/// differ and their speed drifts.
/// </summary>
internal sealed class WholeBook(int accounts, int items)
{
    private static readonly DateOnly Day = new(2026, 3, 16);
    private readonly List<(string Work, string Ours, string Yardstick, string Ratio, string AtMost)> _rows = [];

    internal string Run()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-bench").FullName;
        try
        {
            var (smallImport, smallAgeing) = Import(
                Path.Combine(folder, "small"),
                accounts / 10,
                items / 10,
                told: false
            );
            var (import, ageing) = Import(Path.Combine(folder, "large"), accounts, items, told: true);
            Charges();
            Letters();
            Board(Path.Combine(folder, "large", "data"));
            Growth("import, cost of ten times the items", smallImport, import);
            Growth("ageing, cost of ten times the items", smallAgeing, ageing);
            return Table();
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private (double Import, double Ageing) Import(string folder, int accountCount, int itemCount, bool told)
    {
        Say($"writing a book of {accountCount:N0} accounts and {itemCount:N0} open items");
        LargeBook.Write(folder, accountCount, itemCount, Day);
        var itemsOnly = Path.Combine(folder, "items");
        Directory.CreateDirectory(itemsOnly);
        File.Move(Path.Combine(folder, "open-items.csv"), Path.Combine(itemsOnly, "open-items.csv"));
        using var books = DataFolder.OpenCompany(Path.Combine(folder, "data"));
        new ImportCommand(TextWriter.Null, Console.Error).Run(folder, books, false, false);

        Say("importing it");
        var clock = Stopwatch.StartNew();
        if (new ImportCommand(TextWriter.Null, Console.Error).Run(itemsOnly, books, false, false) != 0)
            throw new InvalidOperationException("The made-up book was refused.");
        var ours = clock.Elapsed.TotalSeconds;
        var plain = Path.Combine(folder, "plain.db");
        Sqlite(
            plain,
            "CREATE TABLE open_items (account TEXT, document TEXT, type TEXT, date TEXT, due TEXT, net REAL, tax "
                + "REAL, amount REAL, open REAL, terms TEXT, reference TEXT); CREATE UNIQUE INDEX one ON open_items "
                + "(account, document);"
        );
        clock.Restart();
        Sqlite(plain, $".import --csv --skip 1 '{itemsOnly}/open-items.csv' open_items");
        var yardstick = clock.Elapsed.TotalSeconds;
        if (told)
            Row(
                $"import of {itemCount:N0} items from CSV, checked and posted",
                ours,
                yardstick,
                "`.import` of the same file into one indexed table",
                "3 ×"
            );

        Say("ageing it");
        clock.Restart();
        var book = books.Read(c => BookLoader.Load(books, c));
        var load = clock.Elapsed.TotalSeconds;
        var age = Best(
            7,
            () => KiteLine.Core.Board.Of(book, Day, new(new(), AgeingBuckets.Default, BusinessCalendar.WeekendsOnly))
        );
        var database = Path.Combine(folder, "data", "books.db");
        var grouping = Best(
            3,
            () =>
                Sqlite(
                    database,
                    """
                    SELECT account_id, sum(open), sum(CASE WHEN d <= 0 THEN open ELSE 0 END),
                        sum(CASE WHEN d BETWEEN 1 AND 30 THEN open ELSE 0 END),
                           sum(CASE WHEN d BETWEEN 31 AND 60 THEN open ELSE 0 END),
                               sum(CASE WHEN d BETWEEN 61 AND 90 THEN open ELSE 0 END),
                               sum(CASE WHEN d > 90 THEN open ELSE 0 END)
                    FROM (SELECT account_id, open, julianday('2026-03-16') - julianday(due) d FROM item WHERE open <> 0)
                        GROUP BY account_id;
                    """
                )
        );
        if (told)
        {
            Row(
                "ageing and exposure of every account",
                age,
                grouping,
                "the plain grouping query in `sqlite3`",
                "0.1 ×"
            );
            _rows.Add(("reading the whole book into memory, once at start", Seconds(load), "—", "—", "—"));
        }

        return (ours, age);
    }

    private void Charges()
    {
        var random = new Random(1);
        var amounts = Enumerable.Range(0, items).Select(_ => random.Next(500, 200_000) / 100m).ToArray();
        if (ChargeLoop.Core(amounts) != ChargeLoop.Bare(amounts))
            throw new InvalidOperationException("The charges of core and yardstick differ.");
        Row(
            $"late-charge proposal, two segments on {items:N0} items",
            Best(5, () => ChargeLoop.Core(amounts)),
            Best(5, () => ChargeLoop.Bare(amounts)),
            "a bare loop over the same decimals",
            "2 ×"
        );
    }

    private void Letters()
    {
        const int Count = 300;
        var letter = SampleLetter.Of(
            new CompanySettings { Name = "Bench" },
            new ReminderPlan
            {
                Levels =
                [
                    new()
                    {
                        DaysAfterDue = 7,
                        Texts = [new("", "Reminder", "Dear {{ customer }}", "{{ total }} by {{ pay_by }}")],
                    },
                ],
            },
            1,
            "",
            BooksRules.Of(
                new(),
                BusinessCalendar.WeekendsOnly,
                new(Currency.Of("GBP"), [], 7, RoundingRule.HalfAwayFromZero),
                Day
            )
        );
        var seconds = Best(
            3,
            () =>
            {
                for (var i = 0; i < Count; i++)
                    KiteLine.Formats.LetterPdf.Render(letter);
            }
        );
        _rows.Add(("PDF letters on one core", $"{Count / seconds:N0} a second", "—", "—", "at least 300 a second"));
    }

    private void Board(string data)
    {
        Say("serving the board");
        const int Port = 5197;
        string key;
        using (var books = DataFolder.OpenCompany(data))
            key = books.Write("bench", tx => ApiKeyStore.Make(tx, "bench", Role.Controller)).Secret;
        using var process = Process.Start(
            new ProcessStartInfo(
                "dotnet",
                [
                    typeof(Desk).Assembly.Location,
                    "serve",
                    "--data",
                    data,
                    "--port",
                    $"{Port}",
                    "--business-date",
                    $"{Day:yyyy-MM-dd}",
                ]
            )
            {
                RedirectStandardOutput = true,
            }
        )!;
        try
        {
            using var client = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{Port}") };
            client.DefaultRequestHeaders.Authorization = new("Bearer", key);
            for (var i = 0; i < 300 && !Answers(client); i++)
                Thread.Sleep(200);
            var first = Stopwatch.StartNew();
            Get(client, "/api/accounts?asOf=2026-03-16");
            _rows.Add(
                ("first page after a start, the book being read", Seconds(first.Elapsed.TotalSeconds), "—", "—", "—")
            );

            var empty = P95(client, _ => "/health");
            string[] sorts =
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
            string[] filters = ["", "over-limit", "above-80", "overdue-30", "stop", "overdue,watch"];
            foreach (var sort in sorts)
                Get(client, $"/api/accounts?asOf=2026-03-16&sort={sort}");
            var page = P95(
                client,
                i =>
                    $"/api/accounts?asOf=2026-03-16&sort={sorts[i % sorts.Length]}"
                    + $"&filter={filters[i % filters.Length]}&q={(i % 5 == 0 ? "ka" : "")}"
            );
            _rows.Add(
                (
                    "first page of the board over HTTP, p95, any sort or filter",
                    $"{page:F1} ms",
                    $"{empty:F1} ms, an empty endpoint",
                    $"+ {page - empty:F1} ms",
                    "+ 40 ms"
                )
            );
            string Account(int i) => $"C{1 + (i * 7919 % accounts):D6}";
            string Order(int i) => $"{{\"account\":\"{Account(i)}\",\"amount\":\"{100 + (i % 50)}.00\"}}";
            string Receipt(int i) =>
                $"{{\"valueDate\":\"{Day:yyyy-MM-dd}\",\"cash\":\"{10 + (i % 90)}.00\",\"items\":[]}}";
            void Beside(string work, double ours, double yardstick, string name, string atMost) =>
                _rows.Add((work, $"{ours:F1} ms", $"{yardstick:F1} ms, {name}", $"+ {ours - yardstick:F1} ms", atMost));
            Beside(
                "may this order go? over HTTP with a key, p95, any account",
                P95Post(client, _ => "/api/checks", Order),
                empty,
                "an empty endpoint",
                "+ 10 ms"
            );
            Beside(
                "a receipt previewed, p95, any account",
                P95Post(client, i => $"/api/accounts/{Account(i)}/receipts?preview=true", Receipt),
                empty,
                "an empty endpoint",
                "+ 30 ms"
            );
            Beside(
                "a receipt posted, p95, any account",
                P95Post(client, i => $"/api/accounts/{Account(i)}/receipts", Receipt),
                Flush(data),
                "a flush of the same disk",
                "+ 15 ms"
            );

            using var writing = new CancellationTokenSource();
            var writer = Task.Run(() =>
                Post20ASecond(key, Port, i => $"/api/accounts/{Account(i)}/receipts", Receipt, writing.Token)
            );
            empty = P95(client, _ => "/health");
            Beside(
                "first page of the board, p95, while 20 receipts a second are posted",
                P95(
                    client,
                    i =>
                        $"/api/accounts?asOf=2026-03-16&sort={sorts[i % sorts.Length]}"
                        + $"&filter={filters[i % filters.Length]}&q={(i % 5 == 0 ? "ka" : "")}"
                ),
                empty,
                "an empty endpoint",
                "+ 40 ms"
            );
            Beside(
                "may this order go?, p95, under the same writing",
                P95Post(client, _ => "/api/checks", Order),
                empty,
                "an empty endpoint",
                "+ 10 ms"
            );
            writing.Cancel();
            Say($"{writer.GetAwaiter().GetResult():F1} receipts a second were posted meanwhile");
            process.Refresh();
            var status = File.ReadLines($"/proc/{process.Id}/status")
                .First(l => l.StartsWith("VmRSS", StringComparison.Ordinal));
            var megabytes =
                int.Parse(new string([.. status.Where(char.IsAsciiDigit)]), CultureInfo.InvariantCulture) / 1024;
            _rows.Add(("memory of the server with that book", $"{megabytes} MB", "—", "—", "600 MB"));
        }
        finally
        {
            process.Kill(entireProcessTree: true);
            process.WaitForExit();
        }
    }

    private void Growth(string work, double small, double large) =>
        _rows.Add(
            (
                work,
                Seconds(large),
                $"{Seconds(small * 10)}, ten times the small one",
                $"{large / (small * 10):F2} × linear",
                "1.15 × linear"
            )
        );

    private string Table()
    {
        var cpu =
            File.ReadLines("/proc/cpuinfo")
                .FirstOrDefault(l => l.StartsWith("model name", StringComparison.Ordinal))
                ?.Split(':')[1]
                .Trim()
            ?? "unknown processor";
        var text = new StringBuilder();
        text.AppendLine("# Benchmarks").AppendLine();
        text.AppendLine(
                "Printed by `./kiteline bench --write docs/benchmarks.md`. Each piece of work stands beside a "
                    + "yardstick measured in the same run; ratios count, single times do not."
            )
            .AppendLine();
        text.AppendLine(
                CultureInfo.InvariantCulture,
                $"{accounts:N0} accounts, {items:N0} open items. {cpu}, {Environment.ProcessorCount} processors, "
                    + $"{GC.GetGCMemoryInfo().TotalAvailableMemoryBytes >> 30} GiB, .NET {Environment.Version}."
            )
            .AppendLine();
        text.AppendLine("| work | ours | yardstick | ratio | at most |").AppendLine("|---|---|---|---|---|");
        foreach (var r in _rows)
            text.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {r.Work} | {r.Ours} | {r.Yardstick} | {r.Ratio} | {r.AtMost} |"
            );
        return text.ToString();
    }

    private void Row(string work, double ours, double yardstick, string name, string atMost) =>
        _rows.Add((work, Seconds(ours), $"{Seconds(yardstick)}, {name}", $"{ours / yardstick:F2} ×", atMost));

    private static string Seconds(double seconds) => seconds < 1 ? $"{seconds * 1000:F0} ms" : $"{seconds:F1} s";

    private static double Best(int runs, Action work) =>
        Enumerable
            .Range(0, runs)
            .Select(_ =>
            {
                var clock = Stopwatch.StartNew();
                work();
                return clock.Elapsed.TotalSeconds;
            })
            .Min();

    private static double P95(HttpClient client, Func<int, string> path)
    {
        for (var i = 0; i < 60; i++)
            Get(client, path(i));
        var times = Enumerable
            .Range(0, 400)
            .Select(i =>
            {
                var clock = Stopwatch.StartNew();
                Get(client, path(i));
                return clock.Elapsed.TotalMilliseconds;
            })
            .Order()
            .ToArray();
        return times[(int)(times.Length * 0.95)];
    }

    // Gives how many were posted a second.
    private static double Post20ASecond(
        string key,
        int port,
        Func<int, string> path,
        Func<int, string> body,
        CancellationToken stop
    )
    {
        using var client = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        client.DefaultRequestHeaders.Authorization = new("Bearer", key);
        var clock = Stopwatch.StartNew();
        var posted = 0;
        for (; !stop.IsCancellationRequested; posted++)
        {
            using var content = new StringContent(body(posted), Encoding.UTF8, "application/json");
            using var response = client
                .PostAsync(new Uri(path(posted), UriKind.Relative), content, CancellationToken.None)
                .GetAwaiter()
                .GetResult();
            response.EnsureSuccessStatusCode();
            var ahead = ((posted + 1) * 50) - clock.ElapsedMilliseconds;
            if (ahead > 0)
                stop.WaitHandle.WaitOne((int)ahead);
        }

        return posted / clock.Elapsed.TotalSeconds;
    }

    // What it takes the disk to keep a page for good.
    private static double Flush(string folder)
    {
        using var file = new FileStream(Path.Combine(folder, "flush"), FileMode.Create);
        var page = new byte[4096];
        var times = Enumerable
            .Range(0, 200)
            .Select(_ =>
            {
                var clock = Stopwatch.StartNew();
                file.Write(page);
                file.Flush(flushToDisk: true);
                return clock.Elapsed.TotalMilliseconds;
            })
            .Order()
            .ToArray();
        return times[(int)(times.Length * 0.95)];
    }

    private static double P95Post(HttpClient client, Func<int, string> path, Func<int, string> body)
    {
        double One(int i)
        {
            var clock = Stopwatch.StartNew();
            using var content = new StringContent(body(i), Encoding.UTF8, "application/json");
            using var response = client.PostAsync(new Uri(path(i), UriKind.Relative), content).GetAwaiter().GetResult();
            response.EnsureSuccessStatusCode();
            response.Content.ReadAsByteArrayAsync().GetAwaiter().GetResult();
            return clock.Elapsed.TotalMilliseconds;
        }

        for (var i = 0; i < 60; i++)
            One(i);
        var times = Enumerable.Range(0, 400).Select(One).Order().ToArray();
        return times[(int)(times.Length * 0.95)];
    }

    private static void Get(HttpClient client, string path) =>
        client.GetByteArrayAsync(new Uri(path, UriKind.Relative)).GetAwaiter().GetResult();

    private static bool Answers(HttpClient client)
    {
        try
        {
            Get(client, "/health");
            return true;
        }
        catch (HttpRequestException)
        {
            return false;
        }
    }

    private static void Sqlite(string database, string commands)
    {
        using var process = Process.Start(
            new ProcessStartInfo("sqlite3", [database]) { RedirectStandardInput = true, RedirectStandardOutput = true }
        )!;
        process.StandardInput.WriteLine(commands);
        process.StandardInput.Close();
        process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        if (process.ExitCode != 0)
            throw new InvalidOperationException("sqlite3 failed.");
    }

    private static void Say(string what) => Console.Error.WriteLine($"bench: {what} …");
}
