using System.Xml.Linq;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>Reads one statement of a message.</summary>
internal sealed class CamtStatement(XElement statement, XNamespace ns)
{
    // How opening and closing balances are coded; an interim one stands in for either within a day.
    private static readonly string[] OpeningCodes = ["OPBD", "PRCD", "ITBD"];
    private static readonly string[] ClosingCodes = ["CLBD", "ITBD"];

    internal BankStatement Read()
    {
        var account = statement.Element(ns + "Acct") ?? throw Camt053.Missing("Acct");
        var id = account.Element(ns + "Id");
        var number =
            Text(id, "IBAN") ?? Text(id?.Element(ns + "Othr"), "Id") ?? throw Camt053.Missing("the Id of its Acct");
        var balances = statement.Elements(ns + "Bal").ToList();
        var code =
            Text(account, "Ccy")
            ?? balances.Select(b => b.Element(ns + "Amt")?.Attribute("Ccy")?.Value).FirstOrDefault(c => c is not null)
            ?? throw Camt053.Missing("Ccy, its currency");
        if (!Currency.TryOf(code, out var currency))
            throw new RefusedException("file", $"‘{code}’ is no ISO 4217 currency code.");
        var entries = statement.Elements(ns + "Ntry").ToList();
        return new(
            Camt053.Bounded(Plain(number), "account"),
            Camt053.Bounded(Text(statement, "Id") ?? throw Camt053.Missing("Id"), "Id"),
            currency,
            Balance(balances, OpeningCodes, currency, last: false),
            Balance(balances, ClosingCodes, currency, last: true),
            [.. entries.SelectMany((e, i) => new CamtEntry(e, ns, currency, i + 1).Read())]
        );
    }

    private Money? Balance(List<XElement> balances, string[] codes, Currency currency, bool last)
    {
        foreach (var code in codes)
        {
            var found = balances
                .Where(b => Text(b.Element(ns + "Tp")?.Element(ns + "CdOrPrtry"), "Cd") == code)
                .ToList();
            if (found.Count == 0)
                continue;
            var balance = last ? found[^1] : found[0];
            var amount =
                CamtEntry.Amount(balance.Element(ns + "Amt"), currency) ?? throw Camt053.Missing("Amt of a Bal");
            return Text(balance, "CdtDbtInd") == "DBIT" ? -amount : amount;
        }

        return null;
    }

    private string? Text(XElement? of, string name) =>
        of?.Element(ns + name)?.Value.Trim() is { Length: > 0 } text ? text : null;

    private static string Plain(string number) =>
        string.Concat(number.Where(c => !char.IsWhiteSpace(c))).ToUpperInvariant();
}
