using System.Globalization;
using System.Text.Json;
using System.Xml.Linq;
using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Shouldly;
using UglyToad.PdfPig;
using Xunit;
using static KiteLine.Web.Tests.Reading;

namespace KiteLine.Web.Tests;

/// <summary>Statements of account of the demo's books against the movements themselves, and as files and messages.</summary>
public sealed class AccountStatementTests(SharedDemo demo)
{
    private static readonly XNamespace Cbc = "urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2";

    private static decimal Figure(JsonElement of, string name) =>
        decimal.Parse(Text(of, name), CultureInfo.InvariantCulture);

    private static decimal Sum(JsonElement of, string list, string name) =>
        of.GetProperty(list).EnumerateArray().Sum(e => Figure(e, name));

    [Theory]
    [InlineData("2026-03-01", "2026-03-16")]
    [InlineData("2025-11-15", "2026-01-14")]
    [InlineData("2024-01-01", "2026-03-16")]
    [InlineData("2025-12-24", "2025-12-24")]
    public async Task Of_every_account_it_ties_and_ends_with_what_the_movements_come_to(string from, string to)
    {
        var app = demo.App;
        foreach (var account in app.Desk.Snapshots.Current.Accounts)
        {
            var s = await app.Get($"/api/accounts/{account.Code}/statement?from={from}&to={to}");
            long Moved(string until) =>
                app.Books.Read(c =>
                    c.ExecuteScalar<long>(
                        $"SELECT coalesce(sum(m.amount), 0) FROM item i JOIN movement m ON m.item_id = i.id "
                            + $"WHERE i.account_id = @Id AND m.value_date {until}",
                        new
                        {
                            account.Id,
                            from,
                            to,
                        }
                    )
                );
            Figure(s, "opening").ShouldBe(Moved("< @from") / 100m, account.Code);
            Figure(s, "closing").ShouldBe(Moved("<= @to") / 100m, account.Code);
            (Figure(s, "opening") + Sum(s, "movements", "debit") - Sum(s, "movements", "credit")).ShouldBe(
                Figure(s, "closing"),
                account.Code
            );
            Sum(s, "open", "open").ShouldBe(Figure(s, "closing"), account.Code);
            Sum(s, "ageing", "amount").ShouldBe(Figure(s, "closing"), account.Code);
            var balance = Figure(s, "opening");
            foreach (var line in s.GetProperty("movements").EnumerateArray())
                Figure(line, "balance").ShouldBe(balance += Figure(line, "debit") - Figure(line, "credit"));
        }
    }

    [Fact]
    public async Task Each_kind_of_file_says_the_same()
    {
        var app = demo.App;
        var code = app.Desk.Snapshots.Current.Accounts.MaxBy(a => a.Items.Length)!.Code;
        var path = $"/api/accounts/{code}/statement";
        const string Period = "from=2025-06-01&to=2026-03-16";
        var s = await app.Get($"{path}?{Period}");
        async Task<byte[]> File(string format) =>
            await app.Client.GetByteArrayAsync(new Uri($"{path}/file?{Period}&format={format}", UriKind.Relative));

        using var pdf = PdfDocument.Open(await File("pdf"));
        pdf.NumberOfPages.ShouldBeGreaterThan(1);
        var pages = pdf.GetPages().Select(p => string.Concat(p.GetWords().Select(w => w.Text))).ToArray();
        var all = string.Concat(pages);
        all.ShouldContain(Figure(s, "closing").ToString("N2", CultureInfo.InvariantCulture));
        all.ShouldContain("Pleasepaywiththereference" + CreditorReference.ForDocument(code));
        pages[1].ShouldContain("Broughtforward");

        var ubl = XDocument.Parse(System.Text.Encoding.UTF8.GetString(await File("ubl"))).Root!;
        ubl.Name.ShouldBe(XName.Get("Statement", "urn:oasis:names:specification:ubl:schema:xsd:Statement-2"));
        decimal Total(string name) => decimal.Parse(ubl.Element(Cbc + name)!.Value, CultureInfo.InvariantCulture);
        (Total("TotalDebitAmount"), Total("TotalCreditAmount"), Total("TotalBalanceAmount")).ShouldBe(
            (Sum(s, "movements", "debit"), Sum(s, "movements", "credit"), Figure(s, "closing"))
        );
        ubl.Elements()
            .Count(e => e.Name.LocalName == "StatementLine")
            .ShouldBe(s.GetProperty("movements").GetArrayLength() + 1);

        var csv = System.Text.Encoding.UTF8.GetString(await File("csv")).TrimEnd().Split('\n');
        csv.Length.ShouldBe(s.GetProperty("movements").GetArrayLength() + 3);
        csv[^1].ShouldContain($",{Text(s, "closing")}");
        (await File("xlsx")).Length.ShouldBeGreaterThan(1000);
    }

    [Theory]
    [InlineData("from=2026-03-02&to=2026-03-01", "to")]
    [InlineData("from=soon", "from")]
    public async Task A_period_that_is_none_is_refused_by_its_field(string query, string field)
    {
        using var response = await demo.App.Client.GetAsync(
            new Uri($"/api/accounts/PEL01/statement?{query}", UriKind.Relative)
        );
        ((int)response.StatusCode).ShouldBe(400);
        (await response.Content.ReadAsStringAsync()).ShouldContain($"\"{field}\"");
    }

    [Fact]
    public void The_command_writes_a_file_for_each_account_that_has_something()
    {
        var app = demo.App;
        var folder = Path.Combine(app.Folder, "statements");
        using var progress = new StringWriter();
        using var answer = new StringWriter();
        var command = new StatementsCommand(progress, answer, app.Desk);
        command.Run("2026-03-01", "2026-03-16", "PEL01,DUN01", folder, "csv").ShouldBe(0);
        var told = JsonDocument.Parse(answer.ToString()).RootElement.GetProperty("statements");
        told.EnumerateArray().Select(t => Text(t, "account")).ShouldBe(["PEL01", "DUN01"]);
        foreach (var t in told.EnumerateArray())
            File.ReadAllText(Path.Combine(folder, Text(t, "file"))).ShouldContain(Text(t, "closing"));
        Directory.GetFiles(folder).Length.ShouldBe(2);
        Should
            .Throw<RefusedException>(() => command.Run(null, null, "PEL01", folder, "doc"))
            .Problems[0]
            .Field.ShouldBe("format");
        Should.Throw<NotThereException>(() => command.Run(null, null, "NOBODY", folder, "pdf"));
    }
}
