using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// A disk that is really full, or may really not be written to: told in words, with nothing lost, and over when it is over.
/// The disk is a small one in memory, which takes the right to mount it.
/// </summary>
public sealed class DiskTroubleTests : IDisposable
{
    private static readonly int Port = ServerProcess.FreePort();
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-disk");
    private readonly bool _mounted;

    public DiskTroubleTests() => _mounted = Run("mount", "-t", "tmpfs", "-o", "size=12m", "tmpfs", _folder.FullName);

    public void Dispose()
    {
        if (_mounted)
            Run("umount", _folder.FullName);
        _folder.Delete(recursive: true);
    }

    private string Data => Path.Combine(_folder.FullName, "data");

    private static bool Run(string program, params string[] arguments)
    {
        using var process = Process.Start(
            new ProcessStartInfo(program, arguments) { RedirectStandardError = true, RedirectStandardOutput = true }
        )!;
        process.WaitForExit();
        return process.ExitCode == 0;
    }

    private string Company()
    {
        Assert.SkipUnless(_mounted, "This machine does not let a small disk be mounted.");
        using var books = DataFolder.OpenCompany(Data);
        return books.Write(
            "tests",
            tx =>
            {
                AccountStore.Open(tx, new("Pellworm Sail Loft"));
                return ApiKeyStore.Make(tx, "shop", Role.Controller).Secret;
            }
        );
    }

    private static HttpClient Client(string secret)
    {
        var client = new HttpClient { BaseAddress = new($"http://127.0.0.1:{Port}") };
        client.DefaultRequestHeaders.Authorization = new("Bearer", secret);
        return client;
    }

    private static async Task<(int Status, string Detail)> Note(HttpClient client, string text)
    {
        using var answer = await client.PostAsJsonAsync("/api/accounts/PEL01/log", new { kind = "note", text });
        var body = await answer.Content.ReadFromJsonAsync<JsonElement>();
        return (
            (int)answer.StatusCode,
            body.ValueKind == JsonValueKind.Object ? body.GetProperty("detail").GetString()! : ""
        );
    }

    [Fact]
    public async Task A_full_disk_is_told_in_words_and_writing_goes_on_when_there_is_room_again()
    {
        var secret = Company();
        using var server = await ServerProcess.Serve(Data, Port);
        using var client = Client(secret);
        (await Note(client, "before")).Status.ShouldBe(200);
        var filler = Path.Combine(_folder.FullName, "filler");
        Fill(filler);
        var kept = 1;
        var (status, detail) = (200, "");
        // The file beside the books has room left that it used before.
        for (; status == 200 && kept < 2000; kept += status == 200 ? 1 : 0)
            (status, detail) = await Note(client, new string('x', 3000));
        status.ShouldBe(507);
        detail.ShouldBe("The disk is full; nothing was stored. Make room, then send it again.");
        (await client.GetAsync("/api/accounts")).IsSuccessStatusCode.ShouldBeTrue("reading goes on");

        File.Delete(filler);
        (await Note(client, "after")).Status.ShouldBe(200);
        server.Kill();
        Sound(kept + 1);
        Told(server, "The disk is full");
    }

    // As many messages as fill the disk with the documents that they keep.
    [Fact]
    public async Task Messages_wait_while_the_disk_is_full_and_none_goes_twice()
    {
        const int Messages = 300;
        Assert.SkipUnless(_mounted, "This machine does not let a small disk be mounted.");
        var letters = Directory.CreateTempSubdirectory("kiteline-disk-mail");
        try
        {
            using var mail = new KiteLine.Demo.SimulatedMailServer(letters.FullName);
            using (var books = DataFolder.OpenCompany(Data))
            using (var desk = new Desk(books, false))
                books.Write(
                    "tests",
                    tx =>
                    {
                        var stored = CompanyStore.Get(tx.Connection);
                        CompanyStore.Change(
                            tx,
                            stored.Settings with
                            {
                                Mail = new(
                                    "127.0.0.1",
                                    mail.Route!.Port,
                                    MailSecurity.None,
                                    SenderAddress: "accounts@ours.example"
                                ),
                            },
                            stored.Version,
                            "tests"
                        );
                        var account = AccountStore.Open(tx, new("Pellworm Sail Loft", Email: "a@b.example"));
                        account = AccountStore.Change(
                            tx,
                            account with
                            {
                                Profile = account.Profile with { Delivery = Delivery.Email },
                            },
                            "tests"
                        );
                        var first = new DateOnly(2025, 1, 1);
                        for (var i = 0; i < Messages; i++)
                            desk.Messages.Queue(
                                tx,
                                desk.Messages.OfStatement(tx.Connection, account, first, first.AddDays(i))
                            );
                        return true;
                    }
                );
            using (var server = await ServerProcess.Serve(Data, Port))
            {
                await Until(() =>
                    server.Told.Any(t => t.Contains("The sending of messages", StringComparison.Ordinal))
                );
                Run("mount", "-o", "remount,size=200m", _folder.FullName).ShouldBeTrue();
                await Until(() => mail.Received(Messages).Count == Messages, 120);
                server.Kill();
            }

            using (var books = DataFolder.OpenCompany(Data))
            {
                books.Read(Verifier.Check).ShouldBeEmpty();
                var waiting = books.Read(c => OutboxStore.Waiting(c));
                waiting.GetValueOrDefault(MessageState.Waiting).ShouldBe(0);
                // The last may have been killed before it was written down.
                waiting.GetValueOrDefault(MessageState.Sending).ShouldBeLessThanOrEqualTo(1);
                waiting.GetValueOrDefault(MessageState.Unsure).ShouldBe(0);
            }

            mail.Received(Messages + 1).Count.ShouldBe(Messages);
        }
        finally
        {
            letters.Delete(recursive: true);
        }
    }

    private static async Task Until(Func<bool> done, int seconds = 60)
    {
        for (var i = 0; i < seconds * 10; i++)
        {
            if (done())
                return;
            await Task.Delay(100);
        }

        throw new TimeoutException("It did not come about.");
    }

    [Fact]
    public async Task A_disk_that_may_not_be_written_to_is_told_in_words()
    {
        var secret = Company();
        using var server = await ServerProcess.Serve(Data, Port);
        using var client = Client(secret);
        (await Note(client, "before")).Status.ShouldBe(200);
        // A file that is open for writing keeps a disk from becoming read-only; a limit of its size does the same to it.
        Run("mount", "-o", "remount,ro,size=12m", _folder.FullName).ShouldBeFalse();
        server.Kill();
        Run("mount", "-o", "remount,ro,size=12m", _folder.FullName).ShouldBeTrue();
        using var again = ServerProcess.Start("serve", "--data", Data, "--port", $"{Port}");
        await again.WaitForExitAsync();
        again.ExitCode.ShouldBe(2);
        var told = await again.StandardError.ReadToEndAsync();
        told.ShouldContain("cannot be written");
        told.ShouldNotContain("   at ");
        Run("mount", "-o", "remount,rw,size=12m", _folder.FullName).ShouldBeTrue();
        Sound(1);
    }

    private void Sound(int notes)
    {
        using var books = DataFolder.OpenCompany(Data);
        books.Read(Verifier.Check).ShouldBeEmpty();
        books.Read(c => ContactLog.Of(c, AccountStore.Get(c, "PEL01"))).Count.ShouldBe(notes);
    }

    private static void Told(ServerProcess server, string words)
    {
        var told = string.Join('\n', server.Told);
        told.ShouldContain(words);
        told.ShouldNotContain("   at ");
    }

    private static void Fill(string path)
    {
        using var file = new FileStream(path, FileMode.Create, FileAccess.Write, FileShare.None, 0);
        var block = new byte[4096];
        try
        {
            while (true)
                file.Write(block);
        }
        catch (IOException)
        {
            // It is full.
        }
    }
}
