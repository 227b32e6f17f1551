using System.IO.Compression;
using System.Text;
using System.Text.Json;
using KiteLine.Formats;
using KiteLine.Store;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// Whatever file is sent to whichever address that takes one, the answer says what is wrong with it; the program never
/// fails on it, and the books stay sound. The files are real ones that were spoilt.
/// </summary>
public sealed class AnyFileTests : IDisposable
{
    private const string Order = """
        <Order xmlns="urn:oasis:names:specification:ubl:schema:xsd:Order-2"
          xmlns:cac="urn:oasis:names:specification:ubl:schema:xsd:CommonAggregateComponents-2"
          xmlns:cbc="urn:oasis:names:specification:ubl:schema:xsd:CommonBasicComponents-2">
          <cbc:ID>SO-1</cbc:ID><cbc:IssueDate>2026-03-16</cbc:IssueDate>
          <cbc:DocumentCurrencyCode>GBP</cbc:DocumentCurrencyCode>
          <cac:BuyerCustomerParty><cbc:SupplierAssignedAccountID>PEL01</cbc:SupplierAssignedAccountID></cac:BuyerCustomerParty>
          <cac:AnticipatedMonetaryTotal>
            <cbc:PayableAmount currencyID="GBP">12.00</cbc:PayableAmount>
          </cac:AnticipatedMonetaryTotal>
        </Order>
        """;

    private const string Holidays =
        "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//t//EN\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART;VALUE=DATE:20260504\r\n"
        + "RRULE:FREQ=YEARLY;BYMONTH=5;BYDAY=1MO\r\nSUMMARY:Spring day\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";

    // What hand-made files hold that breaks readers.
    private static readonly string[] Nasty =
    [
        "\"",
        "\0",
        "\n",
        ",",
        ";",
        "999999999999999999999999999999",
        "-1e308",
        "0001-01-01",
        "9999-12-31",
        "=cmd|' /C calc'!A0",
        "\uFFFD",
        "\u202E",
        "<!DOCTYPE x [<!ENTITY a \"b\">]>",
        "<a>",
        "]]>",
        "rates[9999].from",
        "a.b.c.d.e.f.g.h",
        "[0]",
        "FREQ=SECONDLY",
        "20260230",
        "null",
        "{",
        "[[[[[[[[",
    ];

    private readonly OneAccountApp _app = new();

    public AnyFileTests() => _app.Books.Write("tests", tx => OwnAccountStore.Add(tx, CamtText.Own, "GBP", ""));

    public void Dispose() => _app.Dispose();

    private async Task<byte[]> Exported(string kind, string format)
    {
        using var response = await _app.Client.GetAsync(
            new Uri($"/api/exchange/{kind}?format={format}", UriKind.Relative)
        );
        return await response.EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync();
    }

    private async Task<List<(string Path, byte[] Content)>> Files()
    {
        var files = new List<(string, byte[])>
        {
            ("/api/orders/file?format=ubl", Encoding.UTF8.GetBytes(Order)),
            (
                "/api/orders/file?format=csv",
                Encoding.UTF8.GetBytes("account,number,date,amount,delivery\nPEL01,SO-2,2026-03-16,12.00,2026-03-20\n")
            ),
            ("/api/rates/file", Encoding.UTF8.GetBytes("date,currency,rate\n2026-03-16,EUR,0.85\n")),
            ("/api/documents/file?reason=any", Encoding.UTF8.GetBytes($"{new UblText()}")),
            (
                "/api/bank/statements",
                Encoding.UTF8.GetBytes(
                    $"{new CamtText { Sum = 5, Entries = [CamtText.Entry(5, "INV-1001", iban: "GB33BUKB20201555555555")] }}"
                )
            ),
        };
        foreach (var kind in new[] { "customers", "terms" })
        foreach (var format in new[] { "csv", "xlsx", "json" })
            files.Add(($"/api/exchange/{kind}?format={format}", await Exported(kind, format)));
        return files;
    }

    private static byte[] Spoilt(byte[] content, Random random)
    {
        var spoilt = content.ToList();
        for (var n = random.Next(1, 6); n > 0; n--)
        {
            var at = random.Next(spoilt.Count + 1);
            switch (random.Next(5))
            {
                case 0 when spoilt.Count > 1:
                    spoilt.RemoveRange(at, Math.Min(random.Next(1, 40), spoilt.Count - at));
                    break;
                case 1 when spoilt.Count > 0:
                    spoilt[random.Next(spoilt.Count)] = (byte)random.Next(256);
                    break;
                case 2:
                    spoilt.InsertRange(at, spoilt.Take(random.Next(1, 200)).ToList());
                    break;
                default:
                    spoilt.InsertRange(at, Encoding.UTF8.GetBytes(Nasty[random.Next(Nasty.Length)]));
                    break;
            }
        }

        return [.. spoilt];
    }

    // Within a workbook it is the sheet that is spoilt; the archive around it is read by the framework.
    private static byte[] SpoiltWorkbook(byte[] content, Random random)
    {
        using var file = new MemoryStream();
        file.Write(content);
        using (var zip = new ZipArchive(file, ZipArchiveMode.Update, leaveOpen: true))
        {
            var entry = zip.Entries[random.Next(zip.Entries.Count)];
            byte[] part;
            using (var stream = entry.Open())
            using (var read = new MemoryStream())
            {
                stream.CopyTo(read);
                part = read.ToArray();
            }

            var name = entry.FullName;
            entry.Delete();
            using var written = zip.CreateEntry(name).Open();
            written.Write(Spoilt(part, random));
        }

        return file.ToArray();
    }

    public static TheoryData<int> FileSeeds => [.. LongForm.Seeds(1, 2)];

    public static TheoryData<int> TextSeeds => [.. LongForm.Seeds(3, 4)];

    [Theory]
    [MemberData(nameof(FileSeeds))]
    public async Task Every_spoilt_file_is_answered_in_words(int seed)
    {
        var random = new Random(seed);
        var (refused, taken) = (0, 0);
        foreach (var (path, content) in await Files())
            for (var i = 0; i < 30; i++)
            {
                var spoilt =
                    path.EndsWith("xlsx", StringComparison.Ordinal) && i % 2 == 0
                        ? SpoiltWorkbook(content, random)
                        : Spoilt(content, random);
                using var response = await LongForm.Held(
                    $"{path} seed {seed} file {i}",
                    () =>
                        _app.Client.PostAsync(
                            new Uri(
                                path + (path.Contains('?', StringComparison.Ordinal) ? "&" : "?") + "acceptGood=true",
                                UriKind.Relative
                            ),
                            new ByteArrayContent(spoilt)
                        )
                );
                var answer = await response.Content.ReadAsStringAsync();
                ((int)response.StatusCode).ShouldBeLessThan(
                    500,
                    $"{path} seed {seed} file {i}: {answer}\n"
                        + Convert.ToBase64String(spoilt.AsSpan(0, Math.Min(3000, spoilt.Length)))
                );
                if ((int)response.StatusCode == 400)
                {
                    JsonDocument.Parse(answer).RootElement.GetProperty("errors").EnumerateObject().ShouldNotBeEmpty();
                    refused++;
                }
                else
                    taken++;
            }

        // Files that are all refused, or all taken, would try one way alone.
        refused.ShouldBeGreaterThan(20);
        taken.ShouldBeGreaterThan(20);
        _app.Books.Read(Verifier.Check).ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(TextSeeds))]
    public async Task Every_spoilt_calendar_and_text_is_answered_in_words(int seed)
    {
        var random = new Random(seed);
        for (var i = 0; i < 60; i++)
        {
            var calendar = await LongForm.Held(
                $"calendar seed {seed} file {i}",
                () =>
                    _app.Post(
                        "/api/policies/calendars/from-file",
                        new
                        {
                            text = Encoding.UTF8.GetString(Spoilt(Encoding.UTF8.GetBytes(Holidays), random)),
                            from = "2026-01-01",
                            to = "2045-12-31",
                        }
                    )
            );
            calendar.Status.ShouldBeLessThan(500, calendar.Body.ToString());
            var terms = await LongForm.Held(
                $"terms seed {seed} text {i}",
                () =>
                    _app.Post(
                        "/api/calc/schedule",
                        new
                        {
                            invoiceDate = "2026-01-31",
                            currency = "GBP",
                            net = "1000.00",
                            terms = "2/10 n/30",
                            printed = Encoding.UTF8.GetString(Spoilt(Encoding.UTF8.GetBytes(TermsTexts.Usual), random)),
                        }
                    )
            );
            terms.Status.ShouldBeLessThan(500, terms.Body.ToString());
        }
    }
}
