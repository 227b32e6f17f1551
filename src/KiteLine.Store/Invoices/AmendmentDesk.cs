using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Amends posted invoices: other due dates and discounts under the same number.</summary>
public sealed class AmendmentDesk(ItemStore items)
{
    private sealed record ItemRow(long Id, long Instalment, string Due, long Open, long Opened);

    private sealed record Head(long Opening, long Reversed);

    private sealed record Decision(Account Account, long Document, InvoiceAmendment Amendment, TermsDefinition Kept)
    {
        internal required DocumentContent Content { get; init; }
    }

    /// <summary>What amending an invoice would do.</summary>
    /// <exception cref="NotThereException">There is no such document.</exception>
    /// <exception cref="RefusedException">It is no invoice, or as <see cref="InvoiceAmendment"/> says.</exception>
    public Effect<AmendmentOutcome> Preview(
        SqliteConnection connection,
        long document,
        Func<Currency, AmendmentRequest> request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(rules);
        var d = Decide(connection, document, request, authority, rules);
        return Effects.Shown(
            connection,
            d.Account,
            rules.Today,
            [],
            new AmendmentOutcome(d.Amendment, d.Content),
            d.Amendment.On
        );
    }

    /// <summary>Amends an invoice and shows what that did.</summary>
    /// <exception cref="NotThereException">There is no such document.</exception>
    /// <exception cref="RefusedException">It is no invoice, or as <see cref="InvoiceAmendment"/> says.</exception>
    public Effect<AmendmentOutcome> Post(Tx tx, long document, Func<Currency, AmendmentRequest> request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var d = Decide(tx.Connection, document, request, tx.Actor.Authority, tx.Rules());
        return Effects.Around(
            tx,
            d.Account,
            () =>
            {
                var posted = PostingStore.Post(tx, d.Account, d.Amendment.Posting);
                tx.Connection.Execute(
                    """
                    INSERT INTO amendment (entry_id, document_id, account_id, date, definition)
                    VALUES (@EntryId, @document, @Id, @Date, @definition)
                    """,
                    new
                    {
                        posted.EntryId,
                        document,
                        d.Account.Id,
                        d.Amendment.Date,
                        definition = Json.Write(d.Kept),
                    }
                );
                Change(tx, d.Account.Id, posted.EntryId, d.Amendment.Posting.PostingDate, d.Amendment.Dues);
                return ((Posted?)posted, d.Amendment.Posting.Lines, new AmendmentOutcome(d.Amendment, d.Content));
            }
        );
    }

    /// <summary>The due dates that reversing an amendment brings back; empty for any other posting.</summary>
    internal static IReadOnlyList<DueChange> Back(SqliteConnection connection, long entry) =>
        [
            .. connection
                .Query<(long Item, string Former, string Due)>(
                    "SELECT item_id, former, due FROM due_change WHERE entry_id = @entry ORDER BY id",
                    new { entry }
                )
                .Select(c => new DueChange(c.Item, Columns.Date(c.Due), Columns.Date(c.Former))),
        ];

    /// <summary>Writes changed due dates beside the posting that changes them.</summary>
    internal static void Change(Tx tx, long account, long entry, DateOnly postedOn, IReadOnlyList<DueChange> dues) =>
        tx.Connection.Execute(
            """
            INSERT INTO due_change (entry_id, account_id, item_id, posted_on, former, due)
            VALUES (@entry, @account, @Item, @postedOn, @Former, @Due)
            """,
            dues.Select(d => new
            {
                entry,
                account,
                d.Item,
                postedOn,
                d.Former,
                d.Due,
            })
        );

    private Decision Decide(
        SqliteConnection connection,
        long id,
        Func<Currency, AmendmentRequest> read,
        Authority authority,
        BooksRules rules
    )
    {
        var document = DocumentStore.Get(connection, id);
        if (document.Kind != ItemKind.Invoice)
            throw new RefusedException("document", $"{document.Number} is a credit note; only invoices have terms.");
        var request = read(document.Account.Currency);
        var kept = Asked(connection, document, request);
        var head = connection.QuerySingle<Head>(
            """
            SELECT e.kind = @Opening opening, EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id) reversed
            FROM document d JOIN entry e ON e.id = d.entry_id WHERE d.id = @id
            """,
            new { id, PostingKind.Opening }
        );
        var invoice = new PostedInvoice(
            document.Number,
            document.Date,
            document.Content.Amounts,
            document.Terms?.ToTerms(),
            items.CalendarOf(connection, document.CalendarId),
            Items(connection, document),
            document.AmendedOn
        )
        {
            FromOpening = head.Opening != 0,
            Reversed = head.Reversed != 0,
        };
        var amendment = InvoiceAmendment.Of(
            invoice,
            request,
            kept.ToTerms(),
            InvoiceTerms.Usual(connection, document.Account.Terms),
            authority,
            rules
        );
        return new(document.Account, id, amendment, kept) { Content = document.Content };
    }

    // What neither the terms nor the discount says stays as the invoice has it.
    private static TermsDefinition Asked(SqliteConnection connection, StoredDocument document, AmendmentRequest request)
    {
        var present = document.Terms;
        if (present is null && request.Terms is null)
            throw new RefusedException("terms", $"{document.Number} has no terms; give those that are to hold.");
        var terms = request.Terms is { } asked
            ? PolicyStore.Find<TermsDefinition>(connection, PolicyKind.Terms, asked.Trim())?.Definition
                ?? (
                    present is null
                        ? TermsDefinition.Checked(asked, field: "terms")
                        : TermsDefinition.Checked(asked, present.Conditions, present.Printed, "terms")
                )
            : present!;
        return request.OneOff is { } oneOff ? terms with { Text = oneOff.On(terms.ToTerms()).ToString() } : terms;
    }

    private static IReadOnlyList<PostedInstalment> Items(SqliteConnection connection, StoredDocument document) =>
        [
            .. connection
                .Query<ItemRow>(
                    $"""
                    SELECT i.id, i.instalment, {DueChanges.Now} due, i.open,
                        (SELECT m.amount FROM movement m WHERE m.item_id = i.id AND m.seq = 1) opened
                    FROM item i WHERE i.account_id = @Account AND i.document_id = @Id ORDER BY i.instalment
                    """,
                    new { Account = document.Account.Id, document.Id }
                )
                .Select(i => new PostedInstalment(
                    i.Id,
                    (int)i.Instalment,
                    Columns.Date(i.Due),
                    Money.FromMinor(i.Opened, document.Account.Currency),
                    Money.FromMinor(i.Open, document.Account.Currency)
                )),
        ];
}
