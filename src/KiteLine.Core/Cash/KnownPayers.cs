namespace KiteLine.Core;

/// <summary>
/// What payers of bank entries are recognised by: open documents that their texts may name, bank accounts of customers,
/// codes and names. Everything is of accounts in the currency of the statement.
/// </summary>
/// <param name="documents">Number and account of each open document that one of the texts may name.</param>
/// <param name="bankAccounts">Bank account and account; one bank account may pay for several.</param>
/// <param name="accounts">Code and name of each account, and its legal name where that differs.</param>
public sealed class KnownPayers(
    IEnumerable<(string Number, string Account)> documents,
    IEnumerable<(string BankAccount, string Account)> bankAccounts,
    IEnumerable<(string Code, string Name)> accounts
)
{
    // What banks cut names to is longer; a shorter beginning is too little to know somebody by.
    private const int LeastBeginning = 20;

    private const int LongestCode = 20;

    private static readonly string[] LegalForms =
    [
        "LTD",
        "LIMITED",
        "PLC",
        "LLP",
        "LLC",
        "INC",
        "CORP",
        "CO",
        "COMPANY",
        "GMBH",
        "AG",
        "KG",
        "SARL",
        "SAS",
        "SA",
        "BV",
        "NV",
        "SRL",
        "SPA",
        "AB",
        "AS",
        "APS",
        "OY",
        "PTY",
        "THE",
        "AND",
    ];

    private readonly ILookup<string, (string Number, string Account)> _documents = documents.ToLookup(
        d => NamedDocuments.Plain(d.Number),
        StringComparer.Ordinal
    );

    private readonly ILookup<string, string> _bankAccounts = bankAccounts.ToLookup(
        b => Iban.Plain(b.BankAccount),
        b => b.Account,
        StringComparer.Ordinal
    );

    // A code of digits alone would be found in any amount.
    private readonly ILookup<string, string> _codes = accounts
        .Select(a => a.Code)
        .Distinct(StringComparer.OrdinalIgnoreCase)
        .Where(c => !c.All(char.IsAsciiDigit))
        .ToLookup(NamedDocuments.Plain, StringComparer.Ordinal);

    private readonly (string Plain, string Code, string Name)[] _names =
    [
        .. accounts
            .Select(a => (Plain: PlainName(a.Name), a.Code, a.Name))
            .Where(a => a.Plain.Length > 0)
            .OrderBy(a => a.Plain, StringComparer.Ordinal),
    ];

    /// <summary>Whose a payment is, or null where nothing says so, or several accounts answer alike.</summary>
    public RecognisedPayer? Of(BankEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        var text = entry.Remittance;
        return ByDocument(text) ?? ByBankAccount(entry) ?? ByCode(text) ?? ByName(entry.Payer);
    }

    /// <summary>
    /// What of a text may be the number of a document, without separators and in capitals: documents that are none of
    /// these need not be looked at.
    /// </summary>
    public static IEnumerable<string> MayName(BankEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        return NamedDocuments.MayBe(entry.Remittance);
    }

    private RecognisedPayer? ByDocument(string text)
    {
        var candidates = NamedDocuments.MayBe(text).Distinct().SelectMany(c => _documents[c]).ToArray();
        if (candidates.Length == 0)
            return null;
        var named = NamedDocuments
            .In(text, [.. candidates.Select(c => c.Number)])
            .Select(n => candidates[n.Item])
            .ToArray();
        return named.Select(n => n.Account).Distinct().Count() == 1
            ? new(named[0].Account, PayerBy.Document, named[0].Number)
            : null;
    }

    private RecognisedPayer? ByBankAccount(BankEntry entry)
    {
        if (entry.PayerAccount.Length == 0)
            return null;
        var known = _bankAccounts[Iban.Plain(entry.PayerAccount)].Distinct().Take(2).ToArray();
        return known.Length == 1 ? new(known[0], PayerBy.BankAccount, entry.PayerAccount) : null;
    }

    private RecognisedPayer? ByCode(string text)
    {
        var found = new RemittanceText(text)
            .Runs(LongestCode)
            .SelectMany(r => _codes[r.Joined])
            .Distinct()
            .Take(2)
            .ToArray();
        return found.Length == 1 ? new(found[0], PayerBy.AccountCode, found[0]) : null;
    }

    private RecognisedPayer? ByName(string payer)
    {
        var plain = PlainName(payer);
        if (plain.Length == 0)
            return null;
        var (from, to) = (First(plain), 0);
        for (to = from; to < _names.Length && _names[to].Plain == plain; )
            to++;
        if (from == to && plain.Length >= LeastBeginning)
            for (; to < _names.Length && _names[to].Plain.StartsWith(plain, StringComparison.Ordinal); )
                to++;
        var codes = _names[from..to].Select(n => n.Code).Distinct().Take(2).ToArray();
        return codes.Length == 1 ? new(codes[0], PayerBy.Name, _names[from].Name) : null;
    }

    // The first name that is not before this one.
    private int First(string plain)
    {
        var (low, high) = (0, _names.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (string.CompareOrdinal(_names[middle].Plain, plain) < 0)
                low = middle + 1;
            else
                high = middle;
        }

        return low;
    }

    // Letters and digits without marks, without what says in what form a company is one.
    private static string PlainName(string name) =>
        string.Join(
            ' ',
            new RemittanceText(PlainLetters.Of(name).Replace(".", "", StringComparison.Ordinal))
                .Words.Select(w => w.Text)
                .Where(w => !LegalForms.Contains(w))
        );
}
