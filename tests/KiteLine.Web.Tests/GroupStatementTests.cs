using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text.Json;
using System.Xml.Linq;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Statements of groups: the statements of their accounts, put together.</summary>
public sealed class GroupStatementTests(SharedDemo demo)
{
    private static readonly XNamespace Cbc = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";
    private static readonly XNamespace Cac = "urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2";
    private const string Period = "from=2026-02-01&to=2026-02-28";

    [Fact]
    public async Task It_is_the_statements_of_its_accounts_and_their_sum()
    {
        var groups = await demo.App.Get("/api/groups");
        groups.GetArrayLength().ShouldBeGreaterThan(0);
        foreach (var group in groups.EnumerateArray().Select(g => Uri.EscapeDataString(Text(g, "name"))))
        {
            var s = await demo.App.Get($"/api/groups/{group}/statement?{Period}");
            var accounts = s.GetProperty("accounts").EnumerateArray().ToArray();
            foreach (var line in accounts)
            {
                var own = await demo.App.Get($"/api/accounts/{Text(line, "code")}/statement?{Period}");
                foreach (var figure in (string[])["opening", "debits", "credits", "closing", "due"])
                    Text(line, figure).ShouldBe(Text(own, figure));
                (Number(line, "opening") + Number(line, "debits") - Number(line, "credits")).ShouldBe(
                    Number(line, "closing")
                );
            }

            foreach (var sum in s.GetProperty("sums").EnumerateArray())
                accounts
                    .Where(a => Text(a, "currency") == Text(sum, "currency"))
                    .Sum(a => Number(a, "closing"))
                    .ShouldBe(Number(sum, "closing"));

            using var pdf = PdfDocument.Open(
                await demo.App.Client.GetByteArrayAsync($"/api/groups/{group}/statement/file?{Period}&format=pdf")
            );
            pdf.NumberOfPages.ShouldBeGreaterThan(accounts.Length);
            foreach (var line in accounts)
                pdf.GetPage(1).Text.ShouldContain($"{Number(line, "closing"):N2}");
            var csv = await demo.App.Client.GetStringAsync($"/api/groups/{group}/statement/file?{Period}&format=csv");
            csv.Split('\n')
                .Count(l => l.Contains("Closing balance", StringComparison.Ordinal))
                .ShouldBe(accounts.Length);
            await ComesToTheSame(group, accounts);
        }
    }

    // Of each account the balance brought forward and its debits less its credits are its last balance and its closing one.
    private async Task ComesToTheSame(string group, JsonElement[] accounts)
    {
        var path = $"/api/groups/{group}/statement/file?{Period}&format=ubl";
        if (accounts.Length == 0)
        {
            (await demo.App.Client.GetAsync(path)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
            return;
        }

        var documents = Documents(await demo.App.Client.GetByteArrayAsync(path));
        documents.Count.ShouldBe(accounts.Select(a => Text(a, "currency")).Distinct().Count());
        foreach (var document in documents)
        {
            string Of(string name) => document.Element(Cbc + name)!.Value;
            decimal Sum(IEnumerable<XElement> lines, string name) =>
                lines.Elements(Cbc + name).Sum(e => decimal.Parse(e.Value, CultureInfo.InvariantCulture));
            var lines = document.Elements(Cac + "StatementLine").ToArray();
            lines.Length.ShouldBe(int.Parse(Of("LineCountNumeric"), CultureInfo.InvariantCulture));
            var members = accounts.Where(a => Text(a, "currency") == Of("DocumentCurrencyCode")).ToArray();
            foreach (var account in members)
            {
                var own = lines
                    .Where(l => l.Descendants(Cac + "PartyIdentification").Single().Value == Text(account, "code"))
                    .ToArray();
                Sum(own, "DebitLineAmount").ShouldBe(Number(account, "debits"));
                Sum(own, "CreditLineAmount").ShouldBe(Number(account, "credits"));
                Sum(own[..1], "BalanceAmount").ShouldBe(Number(account, "opening"));
                Sum(own[^1..], "BalanceAmount").ShouldBe(Number(account, "closing"));
                own[0].Descendants(Cbc + "PaymentID").Any().ShouldBe(Number(account, "due") != 0);
            }

            Of("TotalBalanceAmount")
                .ShouldBe(members.Sum(a => Number(a, "closing")).ToString(CultureInfo.InvariantCulture));
        }
    }

    private static List<XElement> Documents(byte[] file)
    {
        if (!file.AsSpan().StartsWith("PK"u8))
            return [XDocument.Load(new MemoryStream(file)).Root!];
        using var zip = new ZipArchive(new MemoryStream(file));
        return
        [
            .. zip.Entries.Select(entry =>
            {
                using var content = entry.Open();
                return XDocument.Load(content).Root!;
            }),
        ];
    }

    [Fact]
    public async Task What_is_wrong_is_named()
    {
        async Task<int> Status(string path) => (int)(await demo.App.Client.GetAsync(path)).StatusCode;
        (await Status("/api/groups/nobody/statement")).ShouldBe(404);
        var group = Uri.EscapeDataString(Text((await demo.App.Get("/api/groups"))[0], "name"));
        (await Status($"/api/groups/{group}/statement?from=2026-03-01&to=2026-02-01")).ShouldBe(400);
        (await Status($"/api/groups/{group}/statement/file?format=doc")).ShouldBe(400);
    }
}
