using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Orders, the check and what is made of them, through the interface.</summary>
public sealed class OrderApiTests : IDisposable
{
    private readonly OneAccountApp _app = new();

    public void Dispose() => _app.Dispose();

    private async Task<(int Status, JsonElement Body)> File(string format, string content, bool preview)
    {
        using var body = new StringContent(content, Encoding.UTF8, "application/octet-stream");
        using var response = await _app.Client.PostAsync(
            new Uri($"/api/orders/file?format={format}&preview={preview}", UriKind.Relative),
            body
        );
        return ((int)response.StatusCode, JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement);
    }

    [Fact]
    public async Task An_order_is_checked_taken_once_and_decided_by_the_step_that_was_seen()
    {
        var preview = await _app.Post(
            "/api/accounts/PEL01/orders?preview=true",
            new { number = "SO-1", total = "1200" }
        );
        preview.Status.ShouldBe(200);
        Text(preview.Body.GetProperty("check"), "answer").ShouldBe("refuse");
        (await _app.Get("/api/orders?show=all")).GetProperty("total").GetInt32().ShouldBe(0);
        var first = await _app.Enter("SO-1", "1200", "k1");
        Text(first.Body.GetProperty("order"), "state").ShouldBe("held");
        // Sent again after a lost answer: the same order, not a second.
        (await _app.Enter("SO-1", "1200", "k1"))
            .Body.GetProperty("order")
            .GetProperty("id")
            .GetInt64()
            .ShouldBe(first.Body.GetProperty("order").GetProperty("id").GetInt64());
        (await _app.Enter("SO-1", "1300", "k1")).Status.ShouldBe(400);
        var id = first.Body.GetProperty("order").GetProperty("id").GetInt64();
        (await _app.Post($"/api/orders/{id}/release", new { reason = "agreed" })).Status.ShouldBe(400);
        var release = await _app.Post(
            $"/api/orders/{id}/release",
            new
            {
                amount = "700",
                until = _app.Today.ToString("O", CultureInfo.InvariantCulture),
                reason = "agreed",
            },
            ("If-Match", "1")
        );
        release.Status.ShouldBe(200, release.Body.ToString());
        (Text(release.Body.GetProperty("order"), "state"), Text(release.Body.GetProperty("order"), "held")).ShouldBe(
            ("partHeld", "500.00")
        );
        (await _app.Post($"/api/orders/{id}/decline", new { reason = "too late" }, ("If-Match", "1"))).Status.ShouldBe(
            412
        );
        var page = await _app.Get($"/api/orders/{id}");
        page.GetProperty("events").GetArrayLength().ShouldBe(2);
        Text(page.GetProperty("after"), "orders").ShouldBe("1200.00");
    }

    [Fact]
    public async Task What_is_wrong_with_an_order_names_its_field()
    {
        (
            await _app.Refused(
                "/api/accounts/PEL01/orders",
                new
                {
                    number = "",
                    total = "abc",
                    currency = "XXQ",
                    date = "soon",
                    deliveries = new[] { new { on = "x", amount = "-1" } },
                }
            )
        ).ShouldBe(
            ["number", "date", "currency", "total", "deliveries[0].on", "deliveries[0].amount"],
            ignoreOrder: true
        );
        (
            await _app.Refused(
                "/api/accounts/PEL01/orders",
                new
                {
                    number = "A",
                    total = "10",
                    currency = "EUR",
                }
            )
        ).ShouldBe(["currency"]);
        (await _app.Refused("/api/checks", new { account = "PEL01", amount = "1.005" })).ShouldBe(["amount"]);
        (await _app.Refused("/api/checks", new { account = "", amount = "" })).ShouldContain("account");
        (await _app.Post("/api/checks", new { account = "NOBODY", amount = "1" })).Status.ShouldBe(404);
    }

    [Fact]
    public async Task Another_system_asks_with_a_key_and_nothing_is_stored()
    {
        var key = (await _app.Post("/api/keys", new { name = "shop", role = "viewer" }))
            .Body.GetProperty("secret")
            .GetString()!;
        using var client = _app.Nobody();
        client.DefaultRequestHeaders.Authorization = new("Bearer", key);
        using var content = new StringContent(
            """{"account":"PEL01","amount":1000.01}""",
            Encoding.UTF8,
            "application/json"
        );
        using var response = await client.PostAsync(new Uri("/api/checks", UriKind.Relative), content);
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        var check = JsonDocument.Parse(await response.Content.ReadAsStringAsync()).RootElement;
        Text(check, "answer").ShouldBe("refuse");
        check
            .GetProperty("findings")
            .EnumerateArray()
            .Select(f => Text(f, "kind"))
            .ShouldBe(["overLimit", "termsNotConfirmed"]);
        Text(check.GetProperty("findings")[0], "beyond").ShouldBe("0.01");
        using var order = new StringContent("""{"number":"S","total":"1"}""", Encoding.UTF8, "application/json");
        (await client.PostAsync(new Uri("/api/accounts/PEL01/orders", UriKind.Relative), order)).StatusCode.ShouldBe(
            HttpStatusCode.Forbidden
        );
    }

    [Fact]
    public async Task Orders_come_in_from_a_table_with_their_deliveries()
    {
        const string Csv =
            "account,number,date,amount,delivery,currency\nPEL01,A-1,2026-03-01,100.00,2026-04-01,\n"
            + "pel01,A-1,2026-03-01,50.00,2026-05-01,\nPEL01,A-2,2026-03-01,900.00,,\nPEL01,A-3,2026-03-01,1,,EUR\n"
            + "PEL01,A-4,2026-03-01,1,,XXQ\nNOBODY,A-5,2026-03-01,1,,\nPEL01,A-6,1 March,0,,\n";
        var (status, shown) = await File("csv", Csv, preview: true);
        status.ShouldBe(200);
        shown
            .GetProperty("rows")
            .EnumerateArray()
            .Select(r => $"{Text(r, "number")} {Text(r, "outcome")}")
            .ShouldBe([
                "A-1 approved",
                "A-2 held",
                "A-3 refused",
                "A-4 refused",
                "A-5 refused",
                " refused",
                " refused",
            ]);
        (await _app.Get("/api/orders?show=all")).GetProperty("total").GetInt32().ShouldBe(0);
        var good = string.Join('\n', Csv.Split('\n').Take(4)) + "\n";
        (await File("csv", good, preview: false)).Body.GetProperty("stored").GetBoolean().ShouldBeTrue();
        var orders = (await _app.Get("/api/orders?show=all"))
            .GetProperty("items")
            .EnumerateArray()
            .ToDictionary(o => Text(o, "number"));
        orders["A-1"].GetProperty("deliveries").GetArrayLength().ShouldBe(2);
        Text(orders["A-1"], "total").ShouldBe("150.00");
        // The second is judged with the first in the books.
        orders["A-2"].GetProperty("findings").EnumerateArray().Select(f => Text(f, "kind")).ShouldContain("overLimit");
        var sheet = await _app.Client.GetStringAsync(
            new Uri("/api/orders/export?show=all&format=csv", UriKind.Relative)
        );
        sheet.Split("\r\n")[0].ShouldContain("Account,Name,Order");
        sheet.ShouldContain("PEL01,Pellworm Sail Loft,A-1,2026-03-01,approved,GBP,150");
        (await File("csv", "number,date\n", true)).Status.ShouldBe(400);
        (await File("pdf", "x", true)).Status.ShouldBe(400);
    }

    // The structure is that of the OASIS standard, from memory; the values are invented.
    private const string Ubl = """
        <?xml version="1.0" encoding="UTF-8"?>
        <Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"
        xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2"
        xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
          <cbc:UBLVersionID>2.1</cbc:UBLVersionID><cbc:ID>PO-77</cbc:ID><cbc:IssueDate>2026-03-02</cbc:IssueDate>
          <cbc:CustomerReference>spring</cbc:CustomerReference><cbc:DocumentCurrencyCode>GBP</cbc:DocumentCurrencyCode>
          <cac:BuyerCustomerParty><cac:Party><cac:PartyName>
          <cbc:Name>Pellworm Sail Loft</cbc:Name></cac:PartyName></cac:Party></cac:BuyerCustomerParty>
          <cac:Delivery><cac:RequestedDeliveryPeriod><cbc:StartDate>2026-04-01</cbc:StartDate>
          <cbc:EndDate>2026-04-03</cbc:EndDate></cac:RequestedDeliveryPeriod></cac:Delivery>
          <cac:AnticipatedMonetaryTotal>
          <cbc:PayableAmount currencyID="GBP">360.00</cbc:PayableAmount></cac:AnticipatedMonetaryTotal>
          <cac:OrderLine><cac:LineItem><cbc:ID>1</cbc:ID>
          <cbc:LineExtensionAmount currencyID="GBP">300.00</cbc:LineExtensionAmount>
          <cbc:TotalTaxAmount currencyID="GBP">60.00</cbc:TotalTaxAmount></cac:LineItem></cac:OrderLine>
        </Order>
        """;

    [Fact]
    public async Task An_order_comes_in_as_UBL()
    {
        var (status, result) = await File("ubl", Ubl, preview: false);
        (status, result.GetProperty("approved").GetInt32()).ShouldBe((200, 1));
        var order = (await _app.Get("/api/orders?show=all")).GetProperty("items")[0];
        (
            Text(order, "number"),
            Text(order, "total"),
            Text(order, "reference"),
            Text(order.GetProperty("deliveries")[0], "on"),
            Text(order, "source")
        ).ShouldBe(("PO-77", "360.00", "spring", "2026-04-03", "ubl"));
        // Without a total its lines with their tax are it.
        var (_, lines) = await File(
            "ubl",
            Ubl.Replace("PO-77", "PO-78", StringComparison.Ordinal)
                .Replace("AnticipatedMonetaryTotal", "Note", StringComparison.Ordinal),
            preview: true
        );
        Text(lines.GetProperty("rows")[0].GetProperty("check"), "asked").ShouldBe("360.00");
    }

    [Theory]
    [InlineData("PO-77", "", "lacks ID")]
    [InlineData("2026-03-02", "soon", "no date")]
    [InlineData("<cbc:PayableAmount currencyID=\"GBP\">", "<cbc:PayableAmount currencyID=\"EUR\">", "is in EUR")]
    [InlineData("360.00", "many", "no amount")]
    [InlineData("xsd:Order-2", "xsd:Invoice-2", "no UBL 2.1 Order")]
    [InlineData("</Order>", "", "no XML")]
    [InlineData("<Order ", "<!DOCTYPE o [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><Order ", "DOCTYPE")]
    public async Task A_file_that_is_no_order_says_what_it_lacks(string what, string instead, string message)
    {
        var (status, problem) = await File("ubl", Ubl.Replace(what, instead, StringComparison.Ordinal), preview: true);
        status.ShouldBe(400);
        Text(problem, "detail").ShouldContain(message);
    }

    [Fact]
    public async Task An_invoice_is_made_of_an_order_through_the_interface_and_counts_once()
    {
        var order = (await _app.Enter("SO-1", "600")).Body.GetProperty("order");
        var invoice = new
        {
            net = "300",
            tax = "60",
            orderId = order.GetProperty("id").GetInt64(),
            orderSeq = 1,
        };
        (await _app.Post("/api/accounts/PEL01/invoices?preview=true", invoice)).Status.ShouldBe(200);
        var posted = await _app.Post("/api/accounts/PEL01/invoices", invoice, ("Idempotency-Key", "i1"));
        posted.Status.ShouldBe(200, posted.Body.ToString());
        (Text(posted.Body.GetProperty("after"), "exposure"), Text(posted.Body.GetProperty("after"), "orders")).ShouldBe(
            ("600.00", "240.00")
        );
        (await _app.Post("/api/accounts/PEL01/invoices", invoice, ("Idempotency-Key", "i1")))
            .Body.ToString()
            .ShouldBe(posted.Body.ToString());
        (await _app.Post("/api/accounts/PEL01/invoices", invoice)).Status.ShouldBe(412);
        (await _app.Refused("/api/accounts/PEL01/invoices", new { net = "1000.01" })).ShouldBe(["net"]);
        Text((await _app.Get("/api/accounts")).GetProperty("items")[0], "exposure").ShouldBe("600.00");
    }
}
