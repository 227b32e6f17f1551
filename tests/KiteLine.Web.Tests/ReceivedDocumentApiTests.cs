using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Electronic invoices and credit notes brought in by a user: one document a file, looked at before. The document of
/// <see cref="UblText"/> is 150 and 20 % of tax, 180.
/// </summary>
public sealed class ReceivedDocumentApiTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public ReceivedDocumentApiTests() =>
        _app.Books.Write(
            "tests",
            tx =>
            {
                var stored = CompanyStore.Get(tx.Connection);
                var settings = stored.Settings with { PinnedBusinessDate = new(2026, 3, 16) };
                return CompanyStore.Change(tx, settings, stored.Version, "tests");
            }
        );

    public void Dispose()
    {
        var off = _app.Books.Read(Verifier.Check);
        _app.Dispose();
        off.ShouldBeEmpty();
    }

    private Task<(int Status, JsonElement Body)> Send(UblText text, string query = "") =>
        Send(_app.Client, text, query);

    private static async Task<(int Status, JsonElement Body)> Send(HttpClient client, UblText text, string query = "")
    {
        using var response = await client.PostAsync(
            new Uri($"/api/documents/file{query}", UriKind.Relative),
            new StringContent($"{text}")
        );
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    private async Task<JsonElement> Done(UblText text, string query = "")
    {
        var (status, answer) = await Send(text, query);
        status.ShouldBe(200, $"{answer}");
        return answer;
    }

    private async Task<string> Open() =>
        string.Join(
            ", ",
            (await _app.Get("/api/accounts/PEL01"))
                .GetProperty("items")
                .EnumerateArray()
                .Select(i => $"{i.GetProperty("document")} {i.GetProperty("open")}")
        );

    private static string[] Problems(JsonElement answer) =>
        [.. answer.GetProperty("document").GetProperty("problems").EnumerateArray().Select(p => p.GetString()!)];

    private static async Task<(string Field, string Told)> Refused(Task<(int Status, JsonElement Body)> sent)
    {
        var (status, problem) = await sent;
        status.ShouldBe(400, $"{problem}");
        var error = problem.GetProperty("errors").EnumerateObject().First();
        return (error.Name, error.Value[0].GetString()!);
    }

    [Fact]
    public async Task It_is_shown_with_its_check_and_then_stored_once()
    {
        var shown = await Done(new(), "?preview=true");
        var seen = shown.GetProperty("document");
        $"{seen.GetProperty("account")} {seen.GetProperty("gross")} {seen.GetProperty("due")}".ShouldBe(
            "PEL01 180.00 2026-04-01"
        );
        var effect = shown.GetProperty("effect");
        // Nobody has confirmed the terms yet, which is told.
        effect.GetProperty("check").GetProperty("answer").GetString().ShouldBe("tell");
        effect.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("180.00");
        (await Open()).ShouldBe("");
        await Done(new());
        (await Open()).ShouldBe("INV-1 180.00");
        (await Refused(Send(new()))).ShouldBe(("file", "The account has a document ‘INV-1’ already."));
        (await Open()).ShouldBe("INV-1 180.00");
    }

    [Fact]
    public async Task Its_credit_note_is_set_against_it()
    {
        await Done(new());
        var note = new UblText
        {
            Credit = true,
            Number = "CRN-1",
            Lines = [50],
            More =
                "<cac:BillingReference><cac:InvoiceDocumentReference><cbc:ID>INV-1</cbc:ID></cac:InvoiceDocumentReference>"
                + "</cac:BillingReference>",
        };
        (await Done(note, "?preview=true"))
            .GetProperty("effect")
            .GetProperty("after")
            .GetProperty("exposure")
            .GetString()
            .ShouldBe("120.00");
        await Done(note);
        (await Open()).ShouldBe("INV-1 120.00");
    }

    [Fact]
    public async Task What_the_check_asks_about_goes_on_with_a_reason()
    {
        // 900 and its tax of 180 are over the limit of 1,000.
        var large = new UblText { Lines = [900] };
        (await Answer(large)).ShouldBe("refuse");
        (await Refused(Send(large, "?reason=any"))).ShouldSatisfyAllConditions(
            r => r.Field.ShouldBe("file"),
            r => r.Told.ShouldContain("Enter an order first")
        );
        var customer = await _app.Get("/api/accounts/PEL01/customer");
        var (status, _) = await _app.Send(
            HttpMethod.Put,
            "/api/accounts/PEL01",
            new
            {
                customer = new
                {
                    name = "Pellworm Sail Loft",
                    responses = new Dictionary<string, string> { ["overLimit"] = "ask" },
                },
                reason = "known for years",
            },
            ("If-Match", $"\"{customer.GetProperty("version").GetInt64()}\"")
        );
        status.ShouldBe(200);
        (await Answer(large)).ShouldBe("ask");
        (await Refused(Send(large))).Field.ShouldBe("reason");
        (await Open()).ShouldBe("");
        await Done(large, "?reason=agreed%20by%20telephone");
        (await Open()).ShouldBe("INV-1 1080.00");
    }

    private async Task<string?> Answer(UblText text) =>
        (await Done(text, "?preview=true"))
            .GetProperty("effect")
            .GetProperty("check")
            .GetProperty("answer")
            .GetString();

    [Fact]
    public async Task What_is_wrong_with_it_is_told_and_nothing_is_stored()
    {
        var wrong = new UblText { Gross = "181.00" };
        var shown = await Done(wrong, "?preview=true");
        shown.GetProperty("effect").ValueKind.ShouldBe(JsonValueKind.Null);
        Problems(shown).ShouldContain("The total with tax is 181 and should be 180 (BR-CO-15).");
        var refused = await Refused(Send(wrong));
        (refused.Field, refused.Told).ShouldBe(("file", Problems(shown)[0]));
        (await Refused(Send(new UblText { Number = "<!-- -->" }))).Field.ShouldBe("file");
        (await Open()).ShouldBe("");
    }

    [Fact]
    public async Task A_credit_note_is_measured_by_the_authority_to_write_off()
    {
        _app.Books.Write(
            "tests",
            tx =>
                UserStore.Add(
                    tx,
                    new()
                    {
                        Name = "small",
                        FullName = "S. Mall",
                        Role = Role.Controller,
                        Authority = new(0, 0, 0, 179.99m),
                    },
                    Passwords.Hash(TestApp.Password)
                )
        );
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Add("Cookie", _app.Cookie("small"));
        var note = new UblText { Credit = true, Number = "CRN-1" };
        var shown = await Send(client, note, "?preview=true");
        Problems(shown.Body).Single().ShouldContain("above your authority");
        (await Refused(Send(client, note))).Told.ShouldContain("above your authority");
        (await Open()).ShouldBe("");
        await Done(note);
        (await Open()).ShouldBe("CRN-1 -180.00");
    }
}
