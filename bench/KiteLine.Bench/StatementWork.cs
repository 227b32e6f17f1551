using System.Globalization;
using System.Text;
using KiteLine.Core;

namespace KiteLine.Bench;

/// <summary>A bank statement of many entries brought into the large book, proposed and posted over HTTP.</summary>
internal sealed class StatementWork(string database, DateOnly day, Results results)
{
    internal const string Own = "GB29NWBK60161331926819";
    private const int Entries = 10_000;

    internal void Run(Caller caller)
    {
        var text = Statement();
        var propose = Clock.Milliseconds(() => caller.Send("/api/bank/statements?preview=true", text)) / 1000;
        results.Plain($"proposals for a statement of {Entries:N0} entries", Results.Seconds(propose), "—", "—", "5 s");
        var stored = caller.Send("/api/bank/statements", text);
        var id = stored[0].GetProperty("statementId").GetInt64();
        var first = caller
            .Fetch($"/api/bank/statements/{id}/lines")
            .GetProperty("items")[0]
            .GetProperty("id")
            .GetInt64();
        results.Plain(
            "one line of it in hand, p95, any line",
            $"{Clock.P95(i => caller.Get($"/api/bank/entries/{first + (i * 37 % Entries)}"), 60):F1} ms",
            "—",
            "—",
            "—"
        );
        var (posted, left) = (0L, 1L);
        var post = Clock.Milliseconds(() =>
        {
            while (left > 0)
            {
                var done = caller.Send($"/api/bank/statements/{id}/post-certain", "{\"most\":1000}");
                posted += done.GetProperty("posted").GetInt64();
                left = done.GetProperty("left").GetInt64();
            }
        });
        results.Plain(
            $"posting what is certain of it, {posted:N0} entries",
            $"{posted / (post / 1000):N0} a second",
            "—",
            "—",
            "at least 500 a second"
        );
    }

    // Most name their document, some their account, some nothing; each pays what one item needs.
    private string Statement()
    {
        using var connection = new Microsoft.Data.Sqlite.SqliteConnection($"Data Source={database};Mode=ReadOnly");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = $"""
            SELECT a.code, d.number, i.open FROM account a JOIN item i ON i.account_id = a.id
                JOIN document d ON d.id = i.document_id
            WHERE i.kind = 0 AND i.open > 0 GROUP BY a.id HAVING i.id = min(i.id) ORDER BY a.id LIMIT {Entries}
            """;
        using var rows = command.ExecuteReader();
        var (entries, sum, n) = (new StringBuilder(), 0L, 0);
        while (rows.Read())
        {
            var amount = rows.GetInt64(2);
            sum += amount;
            var says = (n % 20) switch
            {
                < 14 => $"PAYMENT {rows.GetString(1)} WITH THANKS",
                < 17 => $"{rows.GetString(0)} MARCH",
                _ => "WITH THANKS",
            };
            n++;
            entries.Append(
                CultureInfo.InvariantCulture,
                $"<Ntry><NtryRef>B{n}</NtryRef>{Amount(amount)}<Sts><Cd>BOOK</Cd></Sts>"
                    + $"<BookgDt><Dt>{day:yyyy-MM-dd}</Dt></BookgDt><NtryDtls><TxDtls><RltdPties>"
                    + $"<Dbtr><Pty><Nm>PAYER {n}</Nm></Pty></Dbtr></RltdPties>"
                    + $"<RmtInf><Ustrd>{says}</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>"
            );
        }

        return "<Document xmlns=\"urn:iso:std:iso:20022:tech:xsd:camt.053.001.08\"><BkToCstmrStmt><GrpHdr><MsgId>B</MsgId>"
            + $"</GrpHdr><Stmt><Id>BENCH</Id><Acct><Id><IBAN>{Own}</IBAN></Id><Ccy>GBP</Ccy></Acct>"
            + $"{Balance("OPBD", 0)}{Balance("CLBD", sum)}{entries}</Stmt></BkToCstmrStmt></Document>";
    }

    private string Balance(string code, long minor) =>
        $"<Bal><Tp><CdOrPrtry><Cd>{code}</Cd></CdOrPrtry></Tp>{Amount(minor)}<Dt><Dt>{day:yyyy-MM-dd}</Dt></Dt></Bal>";

    private static string Amount(long minor) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"<Amt Ccy=\"GBP\">{minor / 100m:F2}</Amt><CdtDbtInd>CRDT</CdtDbtInd>"
        );

    /// <summary>
    /// The longest search for a set of items, among amounts of which none add up to the cash, so that it ends by its bound.
    /// </summary>
    internal static void Search(Results results)
    {
        var random = new Random(5);
        var gbp = Currency.Of("GBP");
        var longest = 0d;
        for (var run = 0; run < 60; run++)
        {
            var items = Enumerable
                .Range(1, 400)
                .Select(i => new AllocationItem(
                    $"{i}",
                    $"D{i:D6}",
                    new(2026, 3, 1 + (i % 20)),
                    new(Money.FromMinor((random.Next(500, 200_000) * 2) + 2, gbp), [], new(2026, 3, 16))
                ))
                .ToList();
            // Even amounts never make an odd one.
            var cash = Money.FromMinor((random.Next(50_000, 400_000) * 2) + 1, gbp);
            var took = Clock.Milliseconds(() =>
                AllocationProposal.Of(cash, "WITH THANKS", items, new(0, 0), RoundingRule.HalfAwayFromZero)
            );
            // The first runs compile it.
            if (run >= 20)
                longest = Math.Max(longest, took);
        }

        results.Plain(
            "search for a set among 400 items without one, the longest of 40",
            $"{longest:F1} ms",
            "—",
            "—",
            "50 ms"
        );
    }
}
