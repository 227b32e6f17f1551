using System.Globalization;

namespace KiteLine.Web.Tests;

/// <summary>Writes down a bank statement, element by element as a test needs it.</summary>
internal sealed record CamtText
{
    internal const string Own = "GB29NWBK60161331926819";

    internal int Version { get; init; } = 2;
    internal string Account { get; init; } = $"<IBAN>{Own}</IBAN>";
    internal string Currency { get; init; } = "GBP";
    internal string Id { get; init; } = "S-1";
    internal string Before { get; init; } = "";
    internal decimal Opening { get; init; } = 1000;
    internal decimal? Closing { get; init; }
    internal IReadOnlyList<string> Entries { get; init; } = [];
    internal decimal Sum { get; init; }

    /// <summary>An entry; a negative amount is a debit.</summary>
    internal static string Entry(
        decimal amount,
        string text = "",
        string reference = "R1",
        string status = "<Sts>BOOK</Sts>",
        string payer = "",
        string iban = "",
        string more = "",
        string inside = "",
        string valueDate = "<ValDt><Dt>2026-03-10</Dt></ValDt>",
        string currency = "GBP"
    ) =>
        $"<Ntry><NtryRef>{reference}</NtryRef>{Amount(amount, currency)}{status}<BookgDt><Dt>2026-03-11</Dt></BookgDt>"
        + $"{valueDate}{more}<NtryDtls>{Details(text, payer, iban, inside)}</NtryDtls></Ntry>";

    internal static string Details(string text, string payer = "", string iban = "", string inside = "") =>
        $"<TxDtls>{inside}<RltdPties>{(payer.Length > 0 ? $"<Dbtr>{payer}</Dbtr>" : "")}"
        + $"{(iban.Length > 0 ? $"<DbtrAcct><Id><IBAN>{iban}</IBAN></Id></DbtrAcct>" : "")}</RltdPties>"
        + $"<RmtInf><Ustrd>{text}</Ustrd></RmtInf></TxDtls>";

    internal static string Amount(decimal amount, string currency = "GBP") =>
        $"<Amt Ccy=\"{currency}\">{Figure(Math.Abs(amount))}</Amt><CdtDbtInd>{(amount < 0 ? "DBIT" : "CRDT")}</CdtDbtInd>";

    public override string ToString() =>
        $"""
            <?xml version="1.0" encoding="UTF-8"?>{Before}
            <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.0{Version}"><BkToCstmrStmt>
            <GrpHdr><MsgId>M</MsgId></GrpHdr><Stmt><Id>{Id}</Id>
            <Acct><Id>{Account}</Id><Ccy>{Currency}</Ccy></Acct>
            {Balance("OPBD", Opening)}{Balance("CLBD", Closing ?? Opening + Sum)}
            {string.Concat(Entries)}</Stmt></BkToCstmrStmt></Document>
            """;

    private string Balance(string code, decimal amount) =>
        $"<Bal><Tp><CdOrPrtry><Cd>{code}</Cd></CdOrPrtry></Tp>{Amount(amount, Currency)}<Dt><Dt>2026-03-11</Dt></Dt></Bal>";

    private static string Figure(decimal amount) => amount.ToString("0.00", CultureInfo.InvariantCulture);
}
