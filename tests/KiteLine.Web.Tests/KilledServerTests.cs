using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// The program is killed at random moments, while a server takes all kinds of postings, while files are brought in, and
/// while backups are made. KITELINE_KILLS says how often; 200 is the long form.
/// </summary>
public sealed class KilledServerTests : IDisposable
{
    private const int Customers = 1500;
    private const int Payments = 400;

    // A long form may run beside an ordinary one.
    private static readonly int Port = ServerProcess.FreePort();

    private static readonly int Kills = int.Parse(
        Environment.GetEnvironmentVariable("KITELINE_KILLS") ?? "5",
        CultureInfo.InvariantCulture
    );

    private static readonly string Today = DateOnly.FromDateTime(DateTime.UtcNow).ToString("O");

    /// <summary>One kind of posting: where it goes, what it says, and how often the books have it.</summary>
    private sealed record Posting(string Path, Func<string, object> Body, string Count);

    private static readonly Posting[] Postings =
    [
        new(
            "/api/accounts/PEL01/orders",
            mark => new { number = mark, total = "10.00" },
            "SELECT count(*) FROM sales_order WHERE number = @mark"
        ),
        new(
            "/api/accounts/PEL01/invoices",
            mark => new
            {
                number = mark,
                date = Today,
                net = "10.00",
                tax = "2.00",
            },
            "SELECT count(*) FROM document WHERE number = @mark"
        ),
        new(
            "/api/accounts/PEL01/receipts",
            mark => new
            {
                valueDate = Today,
                cash = "1.00",
                reference = mark,
            },
            "SELECT count(*) FROM document WHERE reference = @mark"
        ),
        new(
            "/api/accounts/PEL01/limit",
            mark => new
            {
                amount = "900000.00",
                from = Today,
                reason = mark,
            },
            "SELECT count(*) FROM limit_change WHERE reason = @mark"
        ),
        new(
            "/api/accounts/PEL01/log",
            mark => new
            {
                kind = "note",
                on = Today,
                text = mark,
            },
            "SELECT count(*) FROM contact_log WHERE text = @mark"
        ),
    ];

    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-killed");
    private readonly Random _random = new(11);
    private readonly ConcurrentDictionary<string, (Posting Posting, string Answer)> _answered = new();
    private readonly ConcurrentDictionary<string, Posting> _unsure = new();
    private int _kills;

    public void Dispose() => _folder.Delete(recursive: true);

    private string Data => Path.Combine(_folder.FullName, "data");

    [Fact]
    public async Task What_was_answered_is_stored_whole_and_what_was_not_is_there_whole_or_not_at_all()
    {
        string secret;
        using (var books = DataFolder.OpenCompany(Data))
            secret = books.Write(
                "tests",
                tx =>
                {
                    AccountStore.Open(tx, new("Pellworm Sail Loft", Limit: 1_000_000));
                    OwnAccountStore.Add(tx, CamtText.Own, "GBP", "");
                    return ApiKeyStore.Make(tx, "shop", Role.Controller).Secret;
                }
            );
        for (var round = 0; _kills < Kills; round++)
        {
            await ServeAndKill(round, secret);
            Import(round);
            Statement(round);
            Backup();
            Check(round);
        }
    }

    private async Task ServeAndKill(int round, string secret)
    {
        using var client = new HttpClient { BaseAddress = new($"http://127.0.0.1:{Port}") };
        client.DefaultRequestHeaders.Authorization = new("Bearer", secret);
        using var server = await ServerProcess.Serve(Data, Port);
        // What got no answer is sent again with its key, as a careful caller does; what got one is told the same again.
        foreach (var (mark, posting) in _unsure)
            _answered[mark] = (posting, (await Send(client, posting, mark)).ShouldNotBeNull());
        _unsure.Clear();
        foreach (var (mark, (posting, answer)) in _answered.OrderBy(a => a.Key).Take(10))
            (await Send(client, posting, mark)).ShouldBe(answer);
        var until = Stopwatch.StartNew();
        var life = _random.Next(200, 1500);
        var senders = Postings
            .Select(
                async (posting, kind) =>
                {
                    for (var i = 0; ; i++)
                    {
                        var mark = $"R{round}-{kind}-{i}";
                        if (await Send(client, posting, mark) is { } answer)
                            _answered[mark] = (posting, answer);
                        else
                        {
                            _unsure[mark] = posting;
                            return;
                        }

                        if (until.ElapsedMilliseconds > life)
                            server.Kill();
                    }
                }
            )
            .ToList();
        await Task.WhenAll(senders);
        _kills++;
    }

    // All of a file is brought in or nothing.
    private void Import(int round)
    {
        var from = Path.Combine(_folder.FullName, $"import{round}");
        Directory.CreateDirectory(from);
        File.WriteAllLines(
            Path.Combine(from, "customers.csv"),
            ["code,name", .. Enumerable.Range(0, Customers).Select(i => $"I{round}X{i},Customer {i}")]
        );
        File.WriteAllLines(
            Path.Combine(from, "open-items.csv"),
            [
                "account,document,type,date,due,net,tax,amount,open",
                .. Enumerable
                    .Range(0, Customers)
                    .Select(i => $"I{round}X{i},D{i},invoice,2026-01-05,2026-02-05,100,20,120,120"),
            ]
        );
        var whole = Ended(ServerProcess.Start("import", from, "--data", Data), _random.Next(300, 2500)) == 0;
        var stored = Books(c => c.ExecuteScalar<int>($"SELECT count(*) FROM account WHERE code LIKE 'I{round}X%'"));
        stored.ShouldBeOneOf(whole ? [Customers] : [0, Customers]);
        Books(c =>
                c.ExecuteScalar<int>(
                    $"SELECT count(*) FROM item i JOIN account a ON a.id = i.account_id WHERE a.code LIKE 'I{round}X%'"
                )
            )
            .ShouldBe(stored);
    }

    // A statement is there whole or not at all; what of it was posted stands once, and the rest is posted afterwards.
    private void Statement(int round)
    {
        var paying = Books(c =>
            c.Query<string>($"SELECT code FROM account WHERE code LIKE 'I{round}X%' ORDER BY id LIMIT {Payments}")
                .AsList()
        );
        var file = Path.Combine(_folder.FullName, $"statement{round}.xml");
        var statement = new CamtText
        {
            Id = $"S{round}",
            Sum = 120 * paying.Count,
            Entries = [.. paying.Select((code, i) => CamtText.Entry(120, $"{code} MARCH", $"{round}/{i}"))],
        };
        File.WriteAllText(file, $"{statement}");
        Ended(ServerProcess.Start("bank", file, "--post-certain", "--data", Data), _random.Next(300, 2500));
        using var books = DataFolder.OpenCompany(Data);
        (long Entries, long Posted, long Receipts) Found() =>
            books.Read(c =>
                c.QuerySingle<(long, long, long)>(
                    $"""
                    SELECT (SELECT count(*) FROM bank_entry WHERE reference LIKE '{round}/%'),
                        (SELECT count(*) FROM bank_entry e JOIN bank_entry_posted p ON p.entry_id = e.id
                            WHERE e.reference LIKE '{round}/%'),
                        (SELECT count(*) FROM document d JOIN account a ON a.id = d.account_id
                            WHERE a.code LIKE 'I{round}X%' AND d.kind = {(int)ItemKind.Receipt})
                    """
                )
            );
        var (entries, posted, receipts) = Found();
        entries.ShouldBeOneOf([0, paying.Count]);
        receipts.ShouldBe(posted);
        if (entries == 0)
            return;
        var desk = new BankDesk(new(new()));
        desk.PostCertain(books, "bank", Waiting(books, round, paying));
        Found().ShouldBe((paying.Count, paying.Count, paying.Count));
        // Whoever posts them once more posts nothing.
        desk.PostCertain(books, "bank", Waiting(books, round, paying)).ShouldBe(0);
    }

    private static List<long> Waiting(Store.Books books, int round, List<string> paying) =>
        books.Read(c =>
            paying
                .Select((_, i) => c.ExecuteScalar<long>($"SELECT id FROM bank_entry WHERE reference = '{round}/{i}'"))
                .ToList()
        );

    // A backup is there and sound, or not there.
    private void Backup()
    {
        var file = Path.Combine(_folder.FullName, "backup.db");
        var done = Ended(ServerProcess.Start("backup", file, "--data", Data), _random.Next(300, 2500)) == 0;
        if (done)
            File.Exists(file).ShouldBeTrue();
        if (!File.Exists(file))
            return;
        using (var copy = Store.Books.Open(file))
            copy.Read(Verifier.Check).ShouldBeEmpty();
        File.Delete(file);
    }

    private void Check(int round) =>
        Books(c =>
        {
            Verifier.Check(c).ShouldBeEmpty($"round {round}");
            foreach (var (mark, (posting, _)) in _answered)
                c.ExecuteScalar<int>(posting.Count, new { mark }).ShouldBe(1, mark);
            foreach (var (mark, posting) in _unsure)
                c.ExecuteScalar<int>(posting.Count, new { mark }).ShouldBeOneOf([0, 1], mark);
            return true;
        });

    private T Books<T>(Func<Microsoft.Data.Sqlite.SqliteConnection, T> read)
    {
        using var books = DataFolder.OpenCompany(Data);
        return books.Read(read);
    }

    // The exit code, or null where it did not end by itself in its time.
    private int? Ended(Process process, int milliseconds)
    {
        using (process)
        {
            process.OutputDataReceived += (_, _) => { };
            process.ErrorDataReceived += (_, _) => { };
            process.BeginOutputReadLine();
            process.BeginErrorReadLine();
            if (process.WaitForExit(milliseconds))
                return process.ExitCode;
            process.Kill(entireProcessTree: true);
            process.WaitForExit();
            _kills++;
            return null;
        }
    }

    private static async Task<string?> Send(HttpClient client, Posting posting, string mark)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, new Uri(posting.Path, UriKind.Relative))
        {
            Content = JsonContent.Create(posting.Body(mark)),
        };
        request.Headers.Add("Idempotency-Key", mark);
        try
        {
            using var response = await client.SendAsync(request);
            var answer = await response.Content.ReadAsStringAsync();
            ((int)response.StatusCode).ShouldBeInRange(200, 201, answer);
            return answer;
        }
        catch (HttpRequestException)
        {
            return null;
        }
        catch (IOException)
        {
            // The answer was cut off.
            return null;
        }
    }
}
