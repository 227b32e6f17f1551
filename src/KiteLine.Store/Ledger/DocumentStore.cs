using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps what invoices and credit notes are made up of.</summary>
public static class DocumentStore
{
    private sealed record LineRow
    {
        public string Text { get; init; } = "";
        public string Quantity { get; init; } = "";
        public string UnitPrice { get; init; } = "";
        public long Net { get; init; }
        public string TaxCode { get; init; } = "";
        public bool Discountable { get; init; }
        public bool Freight { get; init; }
    }

    private sealed record TaxRow(string Code, string Authority, string Percent, long Taxed, long Tax);

    private sealed record DocumentRow
    {
        public long AccountId { get; init; }
        public ItemKind Kind { get; init; }
        public string Number { get; init; } = "";
        public DateOnly Date { get; init; }
        public string Reference { get; init; } = "";
        public long Net { get; init; }
        public long Tax { get; init; }
        public long NotDiscountable { get; init; }
        public long? TermsId { get; init; }
        public long? CalendarId { get; init; }
        public string Credits { get; init; } = "";
        public long EntryId { get; init; }
        public long? OrderId { get; init; }
    }

    private sealed record AmendedRow(DateOnly Date, string Definition);

    /// <summary>The document that made an item of an account, or null where it has no such item.</summary>
    public static (long Id, string Number, ItemKind Kind)? OfItem(
        SqliteConnection connection,
        Account account,
        long item
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection.QueryFirstOrDefault<(long Id, string Number, ItemKind Kind)?>(
            "SELECT d.id, d.number, d.kind FROM item i JOIN document d ON d.id = i.document_id "
                + "WHERE i.id = @item AND i.account_id = @Id",
            new { item, account.Id }
        );
    }

    /// <summary>An invoice or a credit note.</summary>
    /// <exception cref="NotThereException">There is none with this identifier.</exception>
    public static StoredDocument Get(SqliteConnection connection, long id)
    {
        var row =
            connection.QuerySingleOrDefault<DocumentRow>(
                """
                SELECT d.account_id, d.kind, d.number, d.date, d.reference, d.net, d.tax, d.not_discountable, d.terms_id,
                    d.calendar_id, d.entry_id, d.order_id, coalesce(v.number, '') credits
                FROM document d LEFT JOIN credited_invoice c ON c.document_id = d.id
                    LEFT JOIN document v ON v.id = c.invoice_id
                WHERE d.id = @id AND d.kind IN (@invoice, @credit)
                """,
                new
                {
                    id,
                    invoice = ItemKind.Invoice,
                    credit = ItemKind.CreditNote,
                }
            ) ?? throw new NotThereException("invoice or credit note", $"{id}");
        var account = connection.QuerySingle<Account>(
            "SELECT * FROM account WHERE id = @AccountId",
            new { row.AccountId }
        );
        var amended = connection.QueryFirstOrDefault<AmendedRow>(
            """
            SELECT a.date, a.definition FROM amendment a WHERE a.document_id = @id
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = a.entry_id) ORDER BY a.id DESC LIMIT 1
            """,
            new { id }
        );
        Money Amount(long minor) => Money.FromMinor(minor, account.Currency);
        return new(
            id,
            account,
            row.Kind,
            row.Number,
            row.Date,
            row.Reference,
            new(
                new(Amount(row.Net), Amount(row.Tax), Amount(row.NotDiscountable)),
                Lines(connection, id, account.Currency),
                Taxes(connection, id, account.Currency)
            ),
            (amended is null ? OwnTerms(connection, id) : Json.Read<TermsDefinition>(amended.Definition))
                ?? (row.TermsId is { } terms ? PolicyStore.ById<TermsDefinition>(connection, terms).Definition : null),
            row.CalendarId,
            row.Credits
        )
        {
            EntryId = row.EntryId,
            OrderId = row.OrderId,
            AmendedOn = amended?.Date,
        };
    }

    /// <summary>The invoice or the credit note that a posting of an account made.</summary>
    internal static StoredDocument OfEntry(SqliteConnection connection, Account account, long entry) =>
        Get(
            connection,
            connection.QuerySingle<long>(
                "SELECT id FROM document WHERE account_id = @Id AND entry_id = @entry",
                new { account.Id, entry }
            )
        );

    /// <summary>The lines of a document, in their order; empty where totals alone are known.</summary>
    public static IReadOnlyList<DocumentLine> Lines(SqliteConnection connection, long document, Currency currency) =>
        [
            .. connection
                .Query<LineRow>(
                    """
                    SELECT text, quantity, unit_price, net, tax_code, discountable, freight FROM document_line
                    WHERE document_id = @document ORDER BY line
                    """,
                    new { document }
                )
                .Select(r => new DocumentLine(
                    r.Text,
                    Decimal(r.Quantity),
                    Decimal(r.UnitPrice),
                    Money.FromMinor(r.Net, currency),
                    r.TaxCode,
                    r.Discountable,
                    r.Freight
                )),
        ];

    /// <summary>The taxes of a document's lines.</summary>
    public static IReadOnlyList<DocumentTax> Taxes(SqliteConnection connection, long document, Currency currency) =>
        [
            .. connection
                .Query<TaxRow>(
                    "SELECT code, authority, percent, taxed, tax FROM document_tax WHERE document_id = @document "
                        + "ORDER BY part",
                    new { document }
                )
                .Select(r => new DocumentTax(
                    r.Code,
                    r.Authority,
                    Decimal(r.Percent),
                    Money.FromMinor(r.Taxed, currency),
                    Money.FromMinor(r.Tax, currency)
                )),
        ];

    /// <summary>Terms that hold for a document alone, or null.</summary>
    public static TermsDefinition? OwnTerms(SqliteConnection connection, long document) =>
        connection.ExecuteScalar<string>(
            "SELECT definition FROM document_terms WHERE document_id = @document",
            new { document }
        )
            is { } text
            ? Json.Read<TermsDefinition>(text)
            : null;

    internal static void AddParts(Tx tx, long account, long document, NewDocument made, TermsDefinition? ownTerms)
    {
        for (var i = 0; i < made.Lines.Count; i++)
        {
            var line = made.Lines[i];
            tx.Connection.Execute(
                """
                INSERT INTO document_line VALUES (@document, @at, @Text, @quantity, @unitPrice, @Net, @TaxCode,
                    @Discountable, @Freight)
                """,
                new
                {
                    document,
                    at = i + 1,
                    line.Text,
                    quantity = Exactly.Plain(line.Quantity),
                    unitPrice = Exactly.Plain(line.UnitPrice),
                    Net = line.Net.Minor,
                    line.TaxCode,
                    line.Discountable,
                    line.Freight,
                }
            );
        }

        for (var i = 0; i < made.Taxes.Count; i++)
        {
            var tax = made.Taxes[i];
            tx.Connection.Execute(
                "INSERT INTO document_tax VALUES (@document, @at, @Code, @Authority, @percent, @Taxed, @Tax)",
                new
                {
                    document,
                    at = i + 1,
                    tax.Code,
                    tax.Authority,
                    percent = Exactly.Plain(tax.Percent),
                    Taxed = tax.Taxed.Minor,
                    Tax = tax.Tax.Minor,
                }
            );
        }

        if (ownTerms is not null)
            tx.Connection.Execute(
                "INSERT INTO document_terms VALUES (@document, @definition)",
                new { document, definition = Json.Write(ownTerms) }
            );
        if (made.CreditsId is { } invoice)
            tx.Connection.Execute(
                "INSERT INTO credited_invoice VALUES (@document, @invoice, @account)",
                new
                {
                    document,
                    invoice,
                    account,
                }
            );
    }

    private static decimal Decimal(string text) =>
        decimal.Parse(
            text,
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture
        );
}
