using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Posts credit notes.</summary>
public sealed class CreditNoteDesk(ItemStore items)
{
    private sealed record InvoiceRow(long Id, string Number, string Date, long Gross, long Credited);

    /// <summary>What posting a credit note would do.</summary>
    /// <exception cref="RefusedException">A field is wrong, or it lies above the authority.</exception>
    public Effect<CreditNoteDecision> Preview(
        SqliteConnection connection,
        Account account,
        CreditNoteRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(rules);
        var decision = Decide(connection, account, request, authority, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            decision.Posting.Lines,
            decision,
            book => book.After(decision.Posting)
        ) with
        {
            Warnings = EarlierDocuments.Warnings(connection, account, decision.Posting, rules),
        };
    }

    /// <summary>Posts a credit note and shows what that did.</summary>
    public Effect<CreditNoteDecision> Post(Tx tx, Account account, CreditNoteRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        IReadOnlyList<DocumentWarning> warnings = [];
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var decision = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules());
                warnings = EarlierDocuments.Warnings(tx.Connection, account, decision.Posting, tx.Rules());
                return (PostingStore.Post(tx, account, decision.Posting), decision.Posting.Lines, decision);
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    private CreditNoteDecision Decide(
        SqliteConnection connection,
        Account account,
        CreditNoteRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        if (request.Number is { } taken)
            Numbers.RefuseTaken(connection, account, ItemKind.CreditNote, taken);
        var open = items.Details(connection, account);
        var invoice = request.Invoice is { } named
            ? Named(connection, account, named, open)
                ?? throw new RefusedException("invoice", $"The account has no invoice ‘{named}’ that stands.")
            : null;
        return CreditNoteDecision.Of(
            request,
            request.Content(
                account.Currency,
                code => PolicyStore.Find<TaxCode>(connection, PolicyKind.TaxCode, code)?.Definition,
                rules
            ),
            invoice,
            Lately(connection, account, invoice, rules.Today),
            [.. open.Select(d => d.Item)],
            authority,
            rules
        );
    }

    /// <summary>
    /// What was credited within a month by credit notes that stand and name the invoice or none; where it is none, by those
    /// that name none.
    /// </summary>
    internal static Money Lately(
        SqliteConnection connection,
        Account account,
        CreditedInvoice? invoice,
        DateOnly today
    ) =>
        Money.FromMinor(
            connection.ExecuteScalar<long>(
                """
                SELECT coalesce(sum(n.net + n.tax), 0) FROM document n JOIN entry e ON e.id = n.entry_id
                    LEFT JOIN credited_invoice c ON c.document_id = n.id
                WHERE n.account_id = @Id AND n.kind = @kind AND e.kind = @posted AND e.posting_date > @since
                    AND (c.invoice_id IS NULL OR c.invoice_id = @invoice)
                    AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = n.id)
                """,
                new
                {
                    account.Id,
                    kind = ItemKind.CreditNote,
                    posted = PostingKind.CreditNote,
                    since = today.AddMonths(-1),
                    invoice = invoice?.Id,
                }
            ),
            account.Currency
        );

    /// <summary>The invoice of an account with this number, or null where none stands.</summary>
    internal static CreditedInvoice? Named(
        SqliteConnection connection,
        Account account,
        string number,
        IReadOnlyList<ItemDetail> open
    )
    {
        // The account's documents are found by number; of those that bear it, one at most stands.
        var row = connection.QueryFirstOrDefault<InvoiceRow>(
            """
            SELECT d.id, d.number, d.date, d.net + d.tax gross, coalesce((SELECT sum(n.net + n.tax)
                FROM credited_invoice c JOIN document n ON n.id = c.document_id
                WHERE c.account_id = d.account_id AND c.invoice_id = d.id
                    AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = n.id)), 0) credited
            FROM document d WHERE d.account_id = @Id AND d.number = @number AND d.kind = @kind
                AND NOT EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)
            """,
            new
            {
                account.Id,
                number,
                kind = ItemKind.Invoice,
            }
        );
        return row is null
            ? null
            : new(
                row.Id,
                row.Number,
                Columns.Date(row.Date),
                Money.FromMinor(row.Gross, account.Currency),
                Money.FromMinor(row.Credited, account.Currency),
                [.. open.Where(d => d.Number == row.Number && d.Item.Kind == ItemKind.Invoice).Select(d => d.Item)]
            );
    }
}
