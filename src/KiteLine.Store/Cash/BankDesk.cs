using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Proposes what the entries of bank statements settle, and posts it.</summary>
public sealed class BankDesk(ItemStore items)
{
    /// <summary>Proposes for all entries of a statement, in their order.</summary>
    public IReadOnlyList<EntryProposal> Propose(SqliteConnection connection, BankStatement statement, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(statement);
        ArgumentNullException.ThrowIfNull(rules);
        var proposals = Proposals(connection, statement.Currency, statement.Entries, rules);
        return [.. statement.Entries.Select(proposals.Of)];
    }

    /// <summary>
    /// Posts an entry whose proposal is certain, by what the books say at this moment; null where it is certain no
    /// more, or was posted meanwhile.
    /// </summary>
    public Posted? PostIfCertain(Tx tx, OwnAccount own, long entryId, BankEntry entry, string account)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(entry);
        var rules = tx.Rules();
        if (entry.ValueDate > rules.Today || StatementStore.IsPosted(tx.Connection, entryId))
            return null;
        var of = AccountStore.Get(tx.Connection, account);
        var details = items.Details(tx.Connection, of).ToDictionary(d => d.Item.Id);
        var settings = CompanyStore.Settings(tx.Connection);
        var allocation = AllocationProposal.Of(
            entry.Paid,
            entry.ValueDate,
            string.Join('\n', entry.Text.Append(entry.EndToEnd)),
            [.. details.Values.Where(d => !d.Item.Left.IsZero).Select(d => AllocationItem.Of(d, rules.Rounding))],
            settings.Allowance.In(of.Currency, entry.ValueDate, rules.Rates),
            rules.Rounding
        );
        if (allocation.Confidence != 1)
            return null;
        var posting = ProposalPosting.Of(
            allocation,
            entry,
            settings.PaymentMethods.FirstOrDefault(m => m.Code == own.Method),
            id => details[id].Item,
            id => details[id].TaxShare,
            rules
        );
        var posted = PostingStore.Post(tx, of, posting);
        StatementStore.Posted(tx, entryId, posted.EntryId);
        return posted;
    }

    private StatementProposals Proposals(
        SqliteConnection connection,
        Currency currency,
        IReadOnlyList<BankEntry> entries,
        BooksRules rules
    )
    {
        var mayName = entries.SelectMany(KnownPayers.MayName).ToHashSet(StringComparer.Ordinal);
        var accounts = connection
            .Query<(string Code, string Name, string Legal)>(
                "SELECT code, name, coalesce(json_extract(profile, '$.legalName'), '') FROM account "
                    + "WHERE currency = @Code",
                new { currency.Code }
            )
            .AsList();
        var payers = new KnownPayers(
            mayName.Count == 0 ? [] : Documents(connection, currency, mayName),
            PayerAccountStore.In(connection, currency),
            [
                .. accounts.Select(a => (a.Code, a.Name)),
                .. accounts.Where(a => a.Legal.Length > 0).Select(a => (a.Code, a.Legal)),
            ]
        );
        return new(
            payers,
            code =>
                [
                    .. items
                        .Details(connection, AccountStore.Get(connection, code))
                        .Where(d => !d.Item.Left.IsZero)
                        .Select(d => AllocationItem.Of(d, rules.Rounding)),
                ],
            CompanyStore.Settings(connection).Allowance.In(currency, rules.Today, rules.Rates),
            rules.Rounding
        );
    }

    // One pass over what is open, kept as far as one of the texts may name it.
    private static List<(string Number, string Account)> Documents(
        SqliteConnection connection,
        Currency currency,
        HashSet<string> mayName
    )
    {
        var found = new List<(string, string)>();
        foreach (
            var (number, account) in connection.Query<(string Number, string Account)>(
                """
                SELECT DISTINCT d.number, a.code FROM account a JOIN item i ON i.account_id = a.id
                    JOIN document d ON d.id = i.document_id
                WHERE a.currency = @Code AND i.open <> 0
                """,
                new { currency.Code },
                buffered: false
            )
        )
            if (mayName.Contains(NamedDocuments.Plain(number)))
                found.Add((number, account));
        return found;
    }
}
