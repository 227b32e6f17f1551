namespace KiteLine.Core;

/// <summary>
/// What payers of bank entries are recognised by: open documents that their texts may name, bank accounts of customers,
/// codes and names. Everything is of accounts in the currency of the statement.
/// </summary>
/// <param name="documents">Number and account of each open document that one of the texts may name.</param>
/// <param name="bankAccounts">Bank account and account; one bank account may pay for several.</param>
/// <param name="names">Codes and names of the accounts.</param>
public sealed class KnownPayers(
    IEnumerable<(string Number, string Account)> documents,
    IEnumerable<(string BankAccount, string Account)> bankAccounts,
    KnownNames names
)
{
    private readonly ILookup<string, (string Number, string Account)> _documents = documents.ToLookup(
        d => NamedDocuments.Plain(d.Number),
        StringComparer.Ordinal
    );

    private readonly ILookup<string, string> _bankAccounts = bankAccounts.ToLookup(
        b => Iban.Plain(b.BankAccount),
        b => b.Account,
        StringComparer.Ordinal
    );

    /// <summary>Whose a payment is, or null where nothing says so, or several accounts answer alike.</summary>
    public RecognisedPayer? Of(BankEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        var text = entry.Remittance;
        return ByDocument(text) ?? ByBankAccount(entry) ?? names.ByCode(text) ?? names.ByName(entry.Payer);
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
}
