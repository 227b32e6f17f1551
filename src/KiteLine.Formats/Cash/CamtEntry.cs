using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads one entry of a statement; one that a bank booked for many payments at once is as many.</summary>
/// <param name="place">Which entry of the statement it is, counted from 1.</param>
internal sealed class CamtEntry(XElement entry, XNamespace ns, Currency currency, int place)
{
    internal IEnumerable<BankEntry> Read()
    {
        var stated = entry.Element(ns + "Amt") ?? throw Camt053.Missing($"Amt of entry {place}");
        if (stated.Attribute("Ccy") is null)
            throw Camt053.Missing($"Ccy of the Amt of entry {place}");
        var whole = Signed(Amount(stated, currency)!.Value, entry);
        var booked = Day("BookgDt");
        var value = Day("ValDt");
        var date = booked ?? value ?? throw Camt053.Missing($"BookgDt of entry {place}");
        var status = Text(entry.Element(ns + "Sts"), "Cd") ?? entry.Element(ns + "Sts")?.Value.Trim();
        var transactions = entry.Elements(ns + "NtryDtls").Elements(ns + "TxDtls").ToList();
        BankEntry One(XElement? details, string reference, Money amount) =>
            new()
            {
                Reference = Camt053.Bounded(reference, "reference of an entry"),
                Date = date,
                ValueDate = value ?? date,
                Amount = amount,
                Booked = status is null or "BOOK",
                Reversal = Text(entry, "RvslInd") is "true" or "1",
                ReturnReason = Return(details),
                Charges = Charges(details, amount),
                Payer = Payer(details),
                PayerAccount = PayerAccount(details),
                Text = Remittance(details),
                EndToEnd = Short(EndToEnd(details) ?? "", Bounds.Line),
                Foreign = Foreign(details),
            };

        var own = Camt053.Known(Text(entry, "NtryRef")) ?? Camt053.Known(Text(entry, "AcctSvcrRef"));
        if (transactions.Count <= 1)
        {
            var only = transactions.Count == 1 ? transactions[0] : null;
            return [One(only, own ?? Servicer(only) ?? EndToEnd(only) ?? $"{place}", whole)];
        }

        var parts = transactions
            .Select(
                (t, i) => One(t, Servicer(t) ?? EndToEnd(t) ?? $"{own ?? $"{place}"}/{i + 1}", OfTransaction(t, whole))
            )
            .ToList();
        if (parts.Sum(p => (decimal)p.Amount.Minor) != whole.Minor)
            throw new RefusedException(
                "file",
                $"The {parts.Count:N0} payments of entry {own ?? $"{place}"} do not add up to its {whole}."
            );
        return parts;
    }

    /// <summary>An amount in the currency of the account; null where it is missing.</summary>
    /// <exception cref="RefusedException">It is no amount, or in another currency.</exception>
    internal static Money? Amount(XElement? element, Currency currency)
    {
        if (element is null)
            return null;
        if (element.Attribute("Ccy")?.Value is { } other && other != currency.Code)
            throw new RefusedException("file", $"An amount is in {other}, its account in {currency.Code}.");
        return
            AmountText.TryRead(element.Value.Trim(), out var amount)
            && AmountText.Fits(amount)
            && amount >= 0
            && currency.Fits(amount)
            ? Money.Exact(amount, currency)
            : throw new RefusedException("file", $"‘{Short(element.Value)}’ is no amount in {currency.Code}.");
    }

    private Money OfTransaction(XElement details, Money whole)
    {
        var stated =
            Amount(details.Element(ns + "Amt"), currency)
            ?? Amount(details.Element(ns + "AmtDtls")?.Element(ns + "TxAmt")?.Element(ns + "Amt"), currency)
            ?? throw Camt053.Missing($"Amt of a payment of entry {place}");
        return Text(details, "CdtDbtInd") is not null ? Signed(stated, details)
            : whole.Minor < 0 ? -stated
            : stated;
    }

    // Money in and money out are never guessed.
    private Money Signed(Money amount, XElement of) =>
        Text(of, "CdtDbtInd") switch
        {
            "CRDT" => amount,
            "DBIT" => -amount,
            null => throw Camt053.Missing($"CdtDbtInd of entry {place}"),
            var other => throw new RefusedException(
                "file",
                $"CdtDbtInd of entry {place} is ‘{Short(other)}’ and should be CRDT or DBIT."
            ),
        };

    private string? Servicer(XElement? details) => Camt053.Known(Text(details?.Element(ns + "Refs"), "AcctSvcrRef"));

    private string? EndToEnd(XElement? details) => Camt053.Known(Text(details?.Element(ns + "Refs"), "EndToEndId"));

    private string Return(XElement? details)
    {
        var back = details?.Element(ns + "RtrInf");
        if (back is null)
            return "";
        var reason = back.Element(ns + "Rsn");
        return Short(Text(back, "AddtlInf") ?? Text(reason, "Cd") ?? Text(reason, "Prtry") ?? "returned", Bounds.Line);
    }

    // What the bank kept of a payment: told as included, or by an amount instructed that is larger.
    private Money Charges(XElement? details, Money amount)
    {
        var zero = Money.Zero(currency);
        if (amount.Minor <= 0)
            return zero;
        // Those of an entry of many payments are nobody's of them.
        var many = entry.Elements(ns + "NtryDtls").Elements(ns + "TxDtls").Skip(1).Any();
        var kept = (details?.Elements(ns + "Chrgs") ?? [])
            .Concat(many ? [] : entry.Elements(ns + "Chrgs"))
            .SelectMany(c => c.Elements(ns + "Rcrd").Append(c))
            .Where(r =>
                r.Element(ns + "Amt") is not null
                && Text(r, "CdtDbtInd") is null or "DBIT"
                && Text(r, "ChrgInclInd") is null or "true" or "1"
                && r.Element(ns + "Amt")?.Attribute("Ccy")?.Value == currency.Code
            )
            .Aggregate(zero, (sum, r) => sum + Amount(r.Element(ns + "Amt"), currency)!.Value);
        if (!kept.IsZero)
            return kept;
        var instructed = details?.Element(ns + "AmtDtls")?.Element(ns + "InstdAmt")?.Element(ns + "Amt");
        return
            instructed?.Attribute("Ccy")?.Value == currency.Code
            && Amount(instructed, currency) is { } paid
            && paid > amount
            ? paid - amount
            : zero;
    }

    private string Foreign(XElement? details)
    {
        var instructed = (details?.Element(ns + "AmtDtls") ?? entry.Element(ns + "AmtDtls"))
            ?.Element(ns + "InstdAmt")
            ?.Element(ns + "Amt");
        return instructed?.Attribute("Ccy")?.Value is { Length: 3 } other && other != currency.Code
            ? $"{other} {Short(instructed.Value.Trim())}"
            : "";
    }

    // Of what comes in the debtor pays, of what goes out the creditor is paid. In later versions a party stands within.
    private string Payer(XElement? details)
    {
        var parties = details?.Element(ns + "RltdPties");
        foreach (var name in Side(details) ? new[] { "Dbtr", "UltmtDbtr" } : ["Cdtr", "UltmtCdtr"])
        {
            var party = parties?.Element(ns + name);
            if ((Text(party, "Nm") ?? Text(party?.Element(ns + "Pty"), "Nm")) is { } found)
                return Short(found, Bounds.Line);
        }

        return "";
    }

    private string PayerAccount(XElement? details)
    {
        var id = details
            ?.Element(ns + "RltdPties")
            ?.Element(ns + (Side(details) ? "DbtrAcct" : "CdtrAcct"))
            ?.Element(ns + "Id");
        var number = Text(id, "IBAN") ?? Text(id?.Element(ns + "Othr"), "Id") ?? "";
        return Short(string.Concat(number.Where(c => !char.IsWhiteSpace(c))).ToUpperInvariant(), 40);
    }

    private bool Side(XElement? details) => (Text(details, "CdtDbtInd") ?? Text(entry, "CdtDbtInd")) != "DBIT";

    private List<string> Remittance(XElement? details)
    {
        var given = details?.Element(ns + "RmtInf");
        var lines = new List<string>();
        foreach (var structured in given?.Elements(ns + "Strd") ?? [])
        {
            if (Text(structured.Element(ns + "CdtrRefInf"), "Ref") is { } reference)
                lines.Add(reference);
            lines.AddRange(structured.Elements(ns + "RfrdDocInf").Select(d => Text(d, "Nb")).OfType<string>());
            lines.AddRange(structured.Elements(ns + "AddtlRmtInf").Select(e => e.Value.Trim()));
        }

        lines.AddRange((given?.Elements(ns + "Ustrd") ?? []).Select(e => e.Value.Trim()));
        if (lines.Count == 0 && (Text(details, "AddtlTxInf") ?? Text(entry, "AddtlNtryInf")) is { } more)
            lines.Add(more);
        return
        [
            .. lines.Where(l => l.Length > 0).Select(l => Short(l, Bounds.FieldValue)).Take(Bounds.RemittanceLines),
        ];
    }

    private DateOnly? Day(string name)
    {
        var element = entry.Element(ns + name);
        if ((Text(element, "Dt") ?? Text(element, "DtTm")) is not { } text)
            return null;
        return text.Length >= 10 && DayText.TryRead(text[..10], out var day)
            ? day
            : throw new RefusedException("file", $"{name} holds ‘{Short(text)}’, which is no date.");
    }

    private string? Text(XElement? of, string name) =>
        of?.Element(ns + name)?.Value.Trim() is { Length: > 0 } text ? text : null;

    private static string Short(string text, int most = 60) => text.Length <= most ? text : text[..(most - 1)] + "…";
}
