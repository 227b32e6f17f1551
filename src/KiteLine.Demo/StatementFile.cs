using System.Globalization;
using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Demo;

/// <summary>Writes down a statement of the simulated bank as camt.053.001.08.</summary>
internal static class StatementFile
{
    private static readonly XNamespace Ns = "urn:iso:std:iso:20022:tech:xsd:camt.053.001.08";

    /// <param name="entries">Each entry of one payment, or of several in a batch.</param>
    internal static byte[] Write(
        string account,
        Money opening,
        DateOnly day,
        IReadOnlyList<IReadOnlyList<BankMovement>> entries
    )
    {
        var closing = entries.SelectMany(e => e).Where(m => !m.Pending).Aggregate(opening, (sum, m) => sum + m.Amount);
        var id = $"{day:yyyy}-{day.DayOfYear:D3}-{account[^4..]}";
        var document = new XDocument(
            new XElement(
                Ns + "Document",
                new XElement(
                    Ns + "BkToCstmrStmt",
                    El("GrpHdr", El("MsgId", id), El("CreDtTm", $"{day:yyyy-MM-dd}T18:00:00")),
                    El(
                        "Stmt",
                        El("Id", id),
                        El("ElctrncSeqNb", day.DayOfYear),
                        El("CreDtTm", $"{day:yyyy-MM-dd}T18:00:00"),
                        El(
                            "Acct",
                            El("Id", El("IBAN", account)),
                            El("Ccy", opening.Currency.Code),
                            El("Svcr", El("FinInstnId", El("Nm", "Bank of Salterne"), El("Othr", El("Id", "SALT"))))
                        ),
                        Balance("OPBD", opening, day),
                        Balance("CLBD", closing, day),
                        entries.Select((e, i) => Entry(e, $"{day:yyMMdd}{i + 1:D3}", day))
                    )
                )
            )
        );
        using var into = new MemoryStream();
        document.Save(into);
        return into.ToArray();
    }

    private static XElement Entry(IReadOnlyList<BankMovement> payments, string reference, DateOnly day)
    {
        var whole = payments.Skip(1).Aggregate(payments[0].Amount, (sum, m) => sum + m.Amount);
        return El(
            "Ntry",
            El("NtryRef", reference),
            Sum("Amt", whole),
            Side(whole),
            El("Sts", El("Cd", payments[0].Pending ? "PDNG" : "BOOK")),
            El("BookgDt", El("Dt", $"{day:yyyy-MM-dd}")),
            El("ValDt", El("Dt", $"{day:yyyy-MM-dd}")),
            El("AcctSvcrRef", $"HB{reference}"),
            El("BkTxCd", El("Prtry", El("Cd", payments.Count > 1 ? "BATCH" : "TRANSFER"))),
            El(
                "NtryDtls",
                payments.Count > 1 ? El("Btch", El("NbOfTxs", payments.Count)) : null,
                payments.Select((m, i) => Payment(m, payments.Count > 1 ? $"HB{reference}/{i + 1}" : $"HB{reference}"))
            )
        );
    }

    private static XElement Payment(BankMovement m, string reference)
    {
        var side = m.Amount.Minor < 0 ? "Cdtr" : "Dbtr";
        return El(
            "TxDtls",
            El("Refs", El("AcctSvcrRef", reference), El("EndToEndId", m.EndToEnd)),
            Sum("Amt", m.Amount),
            Side(m.Amount),
            m.Foreign is { } foreign ? El("AmtDtls", El("InstdAmt", Sum("Amt", foreign))) : null,
            m.Charges is { } kept
                ? El("Chrgs", El("Rcrd", Sum("Amt", kept), El("CdtDbtInd", "DBIT"), El("ChrgInclInd", "true")))
                : null,
            m.Other.Length > 0
                ? El(
                    "RltdPties",
                    El(side, El("Pty", El("Nm", m.Other))),
                    m.OtherAccount.Length > 0 ? El($"{side}Acct", El("Id", El("IBAN", m.OtherAccount))) : null
                )
                : null,
            m.Lines.Length > 0 || m.Structured.Length > 0
                ? El(
                    "RmtInf",
                    m.Lines.Select(l => El("Ustrd", l)),
                    m.Structured.Length > 0 ? El("Strd", El("CdtrRefInf", El("Ref", m.Structured))) : null
                )
                : null,
            m.Returned.Length > 0 ? El("RtrInf", El("Rsn", El("Cd", "AM04")), El("AddtlInf", m.Returned)) : null
        );
    }

    private static XElement Balance(string code, Money amount, DateOnly day) =>
        El(
            "Bal",
            El("Tp", El("CdOrPrtry", El("Cd", code))),
            Sum("Amt", amount),
            Side(amount),
            El("Dt", El("Dt", $"{day:yyyy-MM-dd}"))
        );

    private static XElement Sum(string name, Money amount) =>
        new(
            Ns + name,
            new XAttribute("Ccy", amount.Currency.Code),
            Math.Abs(amount.Amount).ToString($"F{amount.Currency.Decimals}", CultureInfo.InvariantCulture)
        );

    private static XElement Side(Money amount) => El("CdtDbtInd", amount.Minor < 0 ? "DBIT" : "CRDT");

    private static XElement El(string name, params object?[] content) => new(Ns + name, content);
}
