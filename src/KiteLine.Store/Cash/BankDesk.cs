using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Proposes what the entries of bank statements settle, and posts it.</summary>
public sealed class BankDesk(ItemStore items)
{
    // So many are posted in one transaction: few enough that others do not wait long for it.
    private const int Together = 100;

    private readonly ReceiptDesk _receipts = new(items);

    /// <summary>Proposes for entries in one currency, in their order.</summary>
    public IReadOnlyList<EntryProposal> Propose(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyList<BankEntry> entries,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(currency);
        ArgumentNullException.ThrowIfNull(entries);
        ArgumentNullException.ThrowIfNull(rules);
        if (entries.Count == 0)
            return [];
        var known = Payers(connection, currency, entries);
        var payers = entries.Select(e => e.IsReceipt ? known.Of(e) : null).ToArray();
        // Each account is read once, and all of them a few hundred at a time.
        var codes = payers.OfType<RecognisedPayer>().Select(p => p.Account).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var proposals = _receipts.Proposals(connection, currency, codes, rules);
        var earlier = Earlier(connection, currency, codes);
        return
        [
            .. entries.Zip(payers, proposals.Of).Select(p => p with { Warnings = Warnings(p, earlier, rules.Today) }),
        ];
    }

    // The receipts of each account, by its code.
    private static Func<string, IEnumerable<EarlierDocument>> Earlier(
        SqliteConnection connection,
        Currency currency,
        HashSet<string> codes
    )
    {
        var accounts = AccountStore
            .Allowances(connection, codes)
            .ToDictionary(a => a.Key, a => a.Value.Id, StringComparer.OrdinalIgnoreCase);
        var receipts = EarlierDocuments.Of(connection, accounts.Values, ItemKind.Receipt, currency);
        return code => receipts[accounts[code]];
    }

    private static IReadOnlyList<DocumentWarning> Warnings(
        EntryProposal proposal,
        Func<string, IEnumerable<EarlierDocument>> earlier,
        DateOnly today
    ) =>
        proposal is { Payer: { } payer, Entry: { IsReceipt: true } entry }
            ? DocumentWarnings.Of(
                ItemKind.Receipt,
                entry.ValueDate,
                entry.Paid,
                entry.Reference,
                earlier(payer.Account),
                today
            )
            : [];

    /// <summary>Whose an entry is taken to be; null where nobody is recognised.</summary>
    public static RecognisedPayer? PayerOf(SqliteConnection connection, BankEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        return Payers(connection, entry.Amount.Currency, [entry]).Of(entry);
    }

    /// <summary>What placing an entry on an account would do.</summary>
    /// <exception cref="RefusedException">It does not wait, a field is wrong, or a decision lies above the
    /// authority.</exception>
    public Effect<Payment> Preview(
        SqliteConnection connection,
        long entryId,
        EntryPlacement placement,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(placement);
        var entry = BankEntryStore.Waiting(connection, entryId);
        return _receipts.Preview(connection, placement, Money(connection, entry), authority, rules);
    }

    /// <summary>Places an entry on an account and shows what that did.</summary>
    /// <exception cref="RefusedException">It does not wait, a field is wrong, or a decision lies above the
    /// authority.</exception>
    public Effect<Payment> Place(Tx tx, long entryId, EntryPlacement placement)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(placement);
        var entry = BankEntryStore.Waiting(tx.Connection, entryId);
        var effect = _receipts.Take(tx, placement, Money(tx.Connection, entry));
        BankEntryStore.Posted(tx, entryId, effect.EntryId);
        if (placement.Learn && entry.Entry.PayerAccount.Length > 0)
            PayerAccountStore.Learn(tx, AccountStore.Get(tx.Connection, placement.Account), entry.Entry.PayerAccount);
        return effect;
    }

    /// <summary>Posts entries whose proposals are certain, some together in each transaction, and counts them.</summary>
    public int PostCertain(Books books, string who, IEnumerable<long> certain)
    {
        ArgumentNullException.ThrowIfNull(books);
        ArgumentNullException.ThrowIfNull(certain);
        return certain.Chunk(Together).Sum(some => books.Write(who, tx => PostCertain(tx, some)));
    }

    /// <summary>
    /// Posts those of some entries whose proposals are certain by what the books say at this moment, and counts them.
    /// What is certain no more waits, as does what lies ahead; what was decided meanwhile stays as it is.
    /// </summary>
    public int PostCertain(Tx tx, IReadOnlyCollection<long> certain)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var rules = tx.Rules();
        var (posted, methods) = (0, new Dictionary<long, PaymentMethod?>());
        foreach (
            var some in BankEntryStore
                .Some(tx.Connection, certain)
                .Where(e => e.State == EntryState.Waiting && e.Entry.IsReceipt && e.Entry.ValueDate <= rules.Today)
                .GroupBy(e => e.Entry.Amount.Currency)
        )
        {
            StoredEntry[] entries = [.. some];
            var found = new CertainPayers(
                tx.Connection,
                some.Key,
                entries,
                Payers(tx.Connection, some.Key, [.. entries.Select(e => e.Entry)]),
                items
            );
            foreach (var entry in entries)
            {
                if (found.Of(entry) is not { } payer)
                    continue;
                if (!methods.TryGetValue(entry.StatementId, out var method))
                    methods[entry.StatementId] = method = MethodOf(tx.Connection, entry.Id);
                var money = IncomingMoney.Of(entry.Entry, method);
                var target = ReceiptDesk.Target(tx.Connection, payer, found.Open(payer), money.ValueDate, rules);
                if (target.Propose(money, rules.Rounding).Confidence != 1)
                    continue;
                var decision = ReceiptDecision.Of(money, null, "", target, tx.Actor.Authority, rules);
                BankEntryStore.Posted(tx, entry.Id, ReceiptDesk.PostWithLetter(tx, payer, decision).EntryId);
                posted++;
            }
        }

        return posted;
    }

    /// <summary>What an entry brought, by the method of the bank account it came in on.</summary>
    /// <exception cref="RefusedException">It is no money that came in for good.</exception>
    public static IncomingMoney Money(SqliteConnection connection, StoredEntry entry)
    {
        ArgumentNullException.ThrowIfNull(entry);
        return IncomingMoney.Of(entry.Entry, MethodOf(connection, entry.Id));
    }

    /// <summary>The method of the bank account that an entry is on; null where it is none of the company's any more.</summary>
    internal static PaymentMethod? MethodOf(SqliteConnection connection, long entryId)
    {
        var method = connection.ExecuteScalar<string>(
            "SELECT o.method FROM bank_entry e JOIN own_account o ON o.id = e.own_account_id WHERE e.id = @entryId",
            new { entryId }
        );
        return CompanyStore.Settings(connection).PaymentMethods.FirstOrDefault(m => m.Code == method);
    }

    private static KnownPayers Payers(SqliteConnection connection, Currency currency, IReadOnlyList<BankEntry> entries)
    {
        var mayName = entries.SelectMany(KnownPayers.MayName).ToHashSet(StringComparer.Ordinal);
        var from = entries.Select(e => Iban.Plain(e.PayerAccount)).Where(a => a.Length > 0).Distinct();
        return new(
            mayName.Count == 0 ? [] : Documents(connection, currency, mayName),
            PayerAccountStore.In(connection, currency, from),
            AccountNames.Of(connection, currency)
        );
    }

    // As the index document_marked has it; numbers with other characters are compared one by one.
    private const string WithoutMarks =
        "upper(replace(replace(replace(replace(replace(d.number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', ''))";

    // As the index reminder_marked has it.
    private const string LetterWithoutMarks =
        "upper(replace(replace(replace(replace(replace(r.number, ' ', ''), '-', ''), '/', ''), '.', ''), '_', ''))";

    // What is open and may be named by one of the texts; and reminders, which name what they asked for.
    private static List<(string Number, string Account)> Documents(
        SqliteConnection connection,
        Currency currency,
        HashSet<string> mayName
    ) =>
        connection
            .Query<(string Number, string Account)>(
                $"""
                SELECT d.number, a.code FROM json_each(@names) n CROSS JOIN document d ON d.number = n.value COLLATE NOCASE
                    JOIN account a ON a.id = d.account_id
                WHERE a.currency = @Code AND {Open}
                UNION
                SELECT d.number, a.code FROM json_each(@names) n CROSS JOIN document d ON {WithoutMarks} = n.value
                        AND d.number GLOB '*[-. /_]*'
                    JOIN account a ON a.id = d.account_id
                WHERE a.currency = @Code AND {Open}
                UNION
                SELECT d.number, a.code FROM document d INDEXED BY document_otherwise JOIN account a ON a.id = d.account_id
                WHERE d.number GLOB '*[^-A-Za-z0-9 ./_]*' AND a.currency = @Code AND {Open}
                UNION
                SELECT r.number, a.code FROM json_each(@names) n CROSS JOIN reminder r ON {LetterWithoutMarks} = n.value
                    JOIN account a ON a.id = r.account_id
                WHERE a.currency = @Code AND NOT EXISTS
                    (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
                """,
                new { currency.Code, names = Json.Write(mayName) }
            )
            .Where(d => mayName.Contains(NamedDocuments.Plain(d.Number)))
            .ToList();

    private const string Open =
        "EXISTS (SELECT 1 FROM item i WHERE i.account_id = d.account_id AND i.document_id = d.id AND i.open <> 0)";
}
