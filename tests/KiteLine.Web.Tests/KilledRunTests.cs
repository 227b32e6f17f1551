using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using Dapper;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// The program is killed again and again while a run of reminders is posted, its letters are made and its messages go out:
/// started again it goes on, and every customer gets one letter. KITELINE_KILLS says how often.
/// </summary>
public sealed class KilledRunTests : IDisposable
{
    private const int Customers = 200;
    private static readonly int Port = ServerProcess.FreePort();

    private static readonly int Kills = int.Parse(
        Environment.GetEnvironmentVariable("KITELINE_KILLS") ?? "5",
        CultureInfo.InvariantCulture
    );

    private static readonly DateOnly Today = new(2026, 3, 16);
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-killed-run");
    private readonly Random _random = new(5);

    public void Dispose() => _folder.Delete(recursive: true);

    private string Data => Path.Combine(_folder.FullName, "data");

    private string Company(int mailPort)
    {
        using var books = DataFolder.OpenCompany(Data);
        return books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                CompanyStore.Change(
                    tx,
                    stored.Settings with
                    {
                        PinnedBusinessDate = Today,
                        Mail = new("127.0.0.1", mailPort, MailSecurity.None, SenderAddress: "accounts@ours.example"),
                    },
                    stored.Version,
                    "tests"
                );
                PolicyStore.Save(
                    tx,
                    PolicyKind.ReminderPlan,
                    "PLAN",
                    "Plan",
                    new ReminderPlan
                    {
                        Levels =
                        [
                            new()
                            {
                                DaysAfterDue = 7,
                                DaysSincePrevious = 30,
                                Fee = new ReminderFee.PerLetter(5),
                                FeeTreatment = Treatment.Post,
                                Delivery = Delivery.Email,
                                Texts = [new("", "Reminder {{ number }}", "Please pay {{ total }}.", "")],
                            },
                        ],
                    },
                    0
                );
                var terms = PolicyStore.TermsByText(tx, "n/30");
                for (var i = 0; i < Customers; i++)
                {
                    var account = AccountStore.Open(
                        tx,
                        new($"Loft {i}", $"L{i:D3}", Terms: "n/30", ReminderPlan: "PLAN", Email: $"l{i}@lofts.example")
                    );
                    PostingStore.Post(
                        tx,
                        account,
                        InvoicePosting.Invoice(
                            null,
                            Today.AddDays(-80),
                            new InvoiceAmounts(
                                Money.Exact(100 + i, account.Currency),
                                Money.Zero(account.Currency),
                                Money.Zero(account.Currency)
                            ),
                            terms.Definition.ToTerms(),
                            tx.Rules()
                        ),
                        terms.Id
                    );
                }

                return ApiKeyStore.Make(tx, "night", Role.Controller).Secret;
            }
        );
    }

    [Fact]
    public async Task A_run_goes_on_where_it_was_killed_and_every_customer_gets_one_letter()
    {
        using var mail = new SimulatedMailServer(Path.Combine(_folder.FullName, "mail"));
        using var client = new HttpClient { BaseAddress = new($"http://127.0.0.1:{Port}") };
        client.DefaultRequestHeaders.Authorization = new("Bearer", Company(mail.Route!.Port));
        long run;
        using (var server = await ServerProcess.Serve(Data, Port))
        {
            using var proposed = await client.PostAsJsonAsync("/api/runs", new { kind = "reminders" });
            run = (await proposed.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("id").GetInt64();
            using var posted = await client.PostAsJsonAsync($"/api/runs/{run}/post", new { send = true });
            posted.EnsureSuccessStatusCode();
            await Task.Delay(_random.Next(50, 300));
            server.Kill();
        }

        for (var kill = 1; kill < Kills; kill++)
        {
            using var server = await ServerProcess.Serve(Data, Port);
            await Task.Delay(_random.Next(50, 500));
            server.Kill();
        }

        using (await ServerProcess.Serve(Data, Port))
            await Until(async () =>
                (await client.GetFromJsonAsync<JsonElement>($"/api/runs/{run}?lines=false"))
                    .GetProperty("state")
                    .GetString() == "posted"
                && (await client.GetFromJsonAsync<JsonElement>("/api/outbox?state=waiting"))
                    .GetProperty("total")
                    .GetInt64() == 0
            );

        using var books = DataFolder.OpenCompany(Data);
        books.Read(Verifier.Check).ShouldBeEmpty();
        T Books<T>(string sql) => books.Read(c => c.QuerySingle<T>(sql));
        Books<int>("SELECT count(*) FROM reminder").ShouldBe(Customers);
        Books<int>("SELECT count(DISTINCT account_id) FROM reminder").ShouldBe(Customers);
        // One fee for each letter, and one message.
        Books<int>($"SELECT count(*) FROM item WHERE kind = {(int)ItemKind.ReminderFee}").ShouldBe(Customers);
        Books<int>("SELECT count(DISTINCT reminder_id) FROM message").ShouldBe(Customers);
        Books<int>("SELECT count(*) FROM message").ShouldBe(Customers);

        // What went out went out once; only of what the program was giving away when it was killed does nobody know.
        var sent = Books<int>($"SELECT count(*) FROM message WHERE state = {(int)MessageState.Sent}");
        var unsure = Books<int>($"SELECT count(*) FROM message WHERE state = {(int)MessageState.Unsure}");
        (sent + unsure).ShouldBe(Customers);
        unsure.ShouldBeLessThanOrEqualTo(Kills);
        var arrived = mail.Received(Customers * 2);
        arrived.Select(m => m.To.ShouldHaveSingleItem()).ShouldBeUnique();
        arrived.Count.ShouldBeInRange(sent, Customers);
    }

    private static async Task Until(Func<Task<bool>> done)
    {
        for (var i = 0; i < 600; i++)
        {
            if (await done())
                return;
            await Task.Delay(100);
        }

        throw new TimeoutException("It did not end.");
    }
}
