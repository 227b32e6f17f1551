using System.Net.Http.Headers;
using System.Text.Json;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>A customer's record, its log and files, and many changed at once, through the interface.</summary>
public sealed class CustomerApiTests : IDisposable
{
    private readonly TestApp _app = new();

    public CustomerApiTests()
    {
        foreach (var name in new[] { "Pellworm Sail Loft", "Oxbow", "Tarn" })
            _app.Post("/api/accounts", new { name }).GetAwaiter().GetResult();
    }

    public void Dispose() => _app.Dispose();

    private async Task<(int Status, JsonElement Body)> Change(object customer, string code = "PEL01")
    {
        var version = (await _app.Get($"/api/accounts/{code}/customer")).GetProperty("version").ToString();
        return await _app.Send(
            HttpMethod.Put,
            $"/api/accounts/{code}",
            new { customer, reason = "told us" },
            ("If-Match", version)
        );
    }

    private static string[] Fields(JsonElement problem) =>
        [.. problem.GetProperty("errors").EnumerateObject().Select(e => e.Name)];

    [Fact]
    public async Task What_is_left_out_of_a_change_stays()
    {
        (
            await Change(
                new
                {
                    legalName = "Pellworm GmbH",
                    contacts = new[] { new { name = "Ada" } },
                    address = "1 Quay",
                }
            )
        ).Status.ShouldBe(200);
        var (_, changed) = await Change(new { language = "de" });
        var customer = changed.GetProperty("customer");
        (
            customer.GetProperty("legalName").GetString(),
            customer.GetProperty("language").GetString(),
            customer.GetProperty("contacts")[0].GetProperty("active").GetBoolean()
        ).ShouldBe(("Pellworm GmbH", "de", true));
        var log = (await _app.Get("/api/accounts/PEL01/changes"))[0];
        log.GetProperty("changes")
            .EnumerateArray()
            .Select(c => c.GetProperty("what").GetString())
            .ShouldBe(["record, language"]);
        log.GetProperty("reason").GetString().ShouldBe("told us");
    }

    [Fact]
    public async Task Every_wrong_field_of_a_record_is_named_and_nothing_is_stored()
    {
        var (status, problem) = await Change(
            new
            {
                delivery = "pigeon",
                termsAgreedOn = "soon",
                currency = "EUR",
                addresses = new[] { new { kind = "moon", lines = new[] { "x" } } },
            }
        );
        status.ShouldBe(400);
        Fields(problem).ShouldBe(["delivery", "termsAgreedOn", "currency", "addresses[0].kind"], ignoreOrder: true);
        Fields(
                (
                    await Change(
                        new
                        {
                            identifiers = new[] { new { scheme = "VAT-DE", number = "DE 136 695 977" } },
                            fields = new { region = "North" },
                        }
                    )
                ).Body
            )
            .ShouldBe(["identifiers[0].number", "fields.region"], ignoreOrder: true);
        Fields((await Change(new { responses = new { overLimit = "shrug", overdueAmount = "-1" } })).Body)
            .ShouldBe(["responses.overLimit", "responses.overdueAmount"]);
        (await _app.Get("/api/accounts/PEL01/customer")).GetProperty("version").GetInt32().ShouldBe(1);
    }

    [Fact]
    public async Task Duplicates_are_pointed_out_while_a_new_customer_is_typed()
    {
        await Change(
            new
            {
                email = "accounts@pellworm.example",
                identifiers = new[] { new { scheme = "VAT-DE", number = "DE136695976" } },
            }
        );
        async Task<string> Similar(string query) =>
            string.Join(
                ';',
                (await _app.Get($"/api/accounts/proposed-code?{query}"))
                    .GetProperty("similar")
                    .EnumerateArray()
                    .Select(s => $"{s.GetProperty("code")} {s.GetProperty("why")}")
            );
        (await Similar("name=Sail+Loft,+Pellworm")).ShouldBe("PEL01 a name that is alike");
        (await Similar("name=Other&email=ACCOUNTS@pellworm.example")).ShouldBe("PEL01 the same e-mail address");
        (await Similar("identifier=de+136695976")).ShouldBe("PEL01 the same tax identifier");
        (await Similar("name=Newcomer")).ShouldBe("");
        (
            await _app.Refused(
                "/api/accounts",
                new { name = "Wrong", identifiers = new[] { new { scheme = "VAT-DE", number = "1" } } }
            )
        ).ShouldBe(["identifiers[0].number"]);
    }

    [Fact]
    public async Task The_log_takes_calls_and_notes()
    {
        (
            await _app.Post(
                "/api/accounts/PEL01/log",
                new
                {
                    kind = "call",
                    contact = "Ada",
                    text = "Will pay on Friday",
                }
            )
        ).Status.ShouldBe(200);
        (await _app.Get("/api/accounts/PEL01/log"))[0].GetProperty("text").GetString().ShouldBe("Will pay on Friday");
        (await _app.Refused("/api/accounts/PEL01/log", new { kind = "smoke", on = "soon" })).ShouldBe(["kind", "on"]);
        (await _app.Refused("/api/accounts/PEL01/log", new { text = "" })).ShouldBe(["text"]);
    }

    [Fact]
    public async Task A_file_is_kept_offered_for_download_and_taken_out()
    {
        async Task<System.Net.HttpStatusCode> Attach(string name, byte[] content)
        {
            using var body = new ByteArrayContent(content);
            body.Headers.ContentType = new MediaTypeHeaderValue("application/pdf");
            return (
                await _app.Client.PostAsync(
                    new Uri(
                        $"/api/accounts/PEL01/attachments?name={Uri.EscapeDataString(name)}&note=signed",
                        UriKind.Relative
                    ),
                    body
                )
            ).StatusCode;
        }

        (await Attach("terms.pdf", "%PDF-1.7"u8.ToArray())).ShouldBe(System.Net.HttpStatusCode.OK);
        (await Attach("page.html", "<script>"u8.ToArray())).ShouldBe(System.Net.HttpStatusCode.BadRequest);
        (await Attach("terms.png", "%PDF-1.7"u8.ToArray())).ShouldBe(System.Net.HttpStatusCode.BadRequest);
        (await Attach("large.txt", new byte[KiteLine.Core.AttachmentKind.MaxBytes + 1])).ShouldBe(
            System.Net.HttpStatusCode.BadRequest
        );
        var file = (await _app.Get("/api/accounts/PEL01/attachments"))[0];
        using var got = await _app.Client.GetAsync(
            new Uri($"/api/accounts/PEL01/attachments/{file.GetProperty("id")}", UriKind.Relative)
        );
        (got.Content.Headers.ContentDisposition!.DispositionType, got.Content.Headers.ContentType!.MediaType).ShouldBe(
            ("attachment", "application/pdf")
        );
        got.Headers.GetValues("X-Content-Type-Options").ShouldBe(["nosniff"]);
        (
            await _app.Client.GetAsync(
                new Uri($"/api/accounts/OXB01/attachments/{file.GetProperty("id")}", UriKind.Relative)
            )
        ).StatusCode.ShouldBe(System.Net.HttpStatusCode.NotFound);
        (
            await _app.Refused($"/api/accounts/PEL01/attachments/{file.GetProperty("id")}/remove", new { reason = "" })
        ).ShouldBe(["reason"]);
        (await _app.Post($"/api/accounts/PEL01/attachments/{file.GetProperty("id")}/remove", new { reason = "old" }))
            .Body.GetArrayLength()
            .ShouldBe(0);
    }

    [Fact]
    public async Task Many_accounts_are_changed_as_previewed_and_changed_back()
    {
        var request = new
        {
            field = "terms",
            value = "n/14",
            reason = "shorter",
        };
        var (_, preview) = await _app.Post("/api/account-changes?preview=true", request with { reason = "" });
        preview.GetProperty("changed").GetArrayLength().ShouldBe(3);
        (await _app.Get("/api/accounts/OXB01"))
            .GetProperty("account")
            .GetProperty("terms")
            .GetString()
            .ShouldBe("n/30");
        (await _app.Refused("/api/account-changes", request with { reason = "" })).ShouldBe(["reason"]);
        var (_, made) = await _app.Post("/api/account-changes", request);
        made.GetProperty("changed").ToString().ShouldBe(preview.GetProperty("changed").ToString());
        (await _app.Get("/api/accounts/OXB01"))
            .GetProperty("account")
            .GetProperty("terms")
            .GetString()
            .ShouldBe("n/14");
        var (_, undone) = await _app.Post($"/api/account-changes/{made.GetProperty("batchId")}/undo", new { });
        (undone.GetProperty("changed").GetArrayLength(), undone.GetProperty("left").GetArrayLength()).ShouldBe((3, 0));
        (await _app.Refused($"/api/account-changes/{made.GetProperty("batchId")}/undo", new { })).ShouldBe(["batch"]);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Fact]
    public async Task Only_the_chosen_accounts_change()
    {
        await Change(new { owner = "Ada" }, "OXB01");
        async Task<string> Would(object request) =>
            string.Join(
                ',',
                (await _app.Post("/api/account-changes?preview=true", request))
                    .Body.GetProperty("changed")
                    .EnumerateArray()
                    .Select(c => c.GetProperty("code").GetString())
            );
        (
            await Would(
                new
                {
                    field = "owner",
                    value = "Bram",
                    codes = new[] { "TAR01", "tar01" },
                }
            )
        ).ShouldBe("TAR01");
        (
            await Would(
                new
                {
                    field = "owner",
                    value = "Bram",
                    q = "ox",
                }
            )
        ).ShouldBe("OXB01");
        (
            await Would(
                new
                {
                    field = "owner",
                    value = "Bram",
                    onlyWith = "",
                }
            )
        ).ShouldBe("PEL01,TAR01");
        (
            await _app.Refused(
                "/api/account-changes?preview=true",
                new
                {
                    field = "owner",
                    value = "Bram",
                    filter = "blue",
                }
            )
        ).ShouldBe(["filter"]);
        (
            await _app.Refused(
                "/api/account-changes?preview=true",
                new
                {
                    field = "owner",
                    value = "Bram",
                    filter = "stop",
                }
            )
        ).ShouldBe(["codes"]);
        (await _app.Refused("/api/account-changes?preview=true", new { field = "shoe", value = "9" })).ShouldBe([
            "field",
        ]);
    }

    [Fact]
    public async Task An_opening_document_is_previewed_and_a_lump_sum_refused_with_the_reason()
    {
        var good = new
        {
            document = "OLD-1",
            type = "invoice",
            date = "2026-01-10",
            amount = "120.00",
            tax = "20.00",
            open = "60.00",
        };
        var (status, preview) = await _app.Post("/api/accounts/PEL01/opening-items?preview=true", good);
        status.ShouldBe(200, preview.ToString());
        preview.GetProperty("after").GetProperty("exposure").GetString().ShouldBe("60.00");
        (await _app.Get("/api/accounts/PEL01")).GetProperty("items").GetArrayLength().ShouldBe(0);
        (await _app.Post("/api/accounts/PEL01/opening-items", good)).Status.ShouldBe(200);
        (await _app.Refused("/api/accounts/PEL01/opening-items", good)).ShouldBe(["document"]);
        var (_, lump) = await _app.Post(
            "/api/accounts/PEL01/opening-items",
            new
            {
                document = "Balance",
                type = "balance",
                date = "2026-01-10",
                amount = "5000.00",
            }
        );
        lump.GetProperty("detail").GetString()!.ShouldContain("can't be aged, charged or reminded");
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }
}
