using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Moves receipts, or parts of them, off their accounts to other ones.</summary>
public sealed class MoveDesk(
    CorrectionDesk corrections,
    ReceiptDesk receipts,
    UnassignedDesk unassigned,
    ItemStore items
)
{
    private sealed record Row
    {
        public long Account { get; init; }
        public long Document { get; init; }
        public string Number { get; init; } = "";
        public string Method { get; init; } = "";
        public DateOnly? ClearsOn { get; init; }
        public string Reference { get; init; } = "";
        public long Item { get; init; }
        public string? Payer { get; init; }
        public string? PayerAccount { get; init; }
        public string? Text { get; init; }
    }

    private sealed record Decided(
        Row Row,
        Account Account,
        MovableReceipt Receipt,
        Money Amount,
        Posting Posting,
        IncomingMoney Money
    );

    /// <summary>What of a receipt was taken off its account and not brought back, in minor units.</summary>
    public static long MovedOf(SqliteConnection connection, long document) =>
        connection.ExecuteScalar<long>(
            """
            SELECT coalesce(sum(u.amount), 0) FROM receipt_move m JOIN unassigned_receipt u ON u.entry_id = m.posting
            WHERE m.document_id = @document AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = m.posting)
            """,
            new { document }
        );

    /// <summary>What moving would do to the account, and to the one that it goes to.</summary>
    /// <exception cref="RefusedException">A field is wrong, or the receipt was reversed.</exception>
    public MovedReceipt Preview(
        SqliteConnection connection,
        long entryId,
        MoveRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(request);
        ArgumentNullException.ThrowIfNull(rules);
        var d = Decide(connection, entryId, request, rules);
        var from = Effects.Shown(
            connection,
            d.Account,
            rules.Today,
            d.Posting.Lines,
            d.Posting,
            book => book.After(d.Posting)
        );
        var to = request.To is null ? null : receipts.Preview(connection, request.To, d.Money, authority, rules);
        return new(from, to, d.Amount, d.Receipt.Free, d.Receipt.Most);
    }

    /// <summary>Moves it and shows what that did.</summary>
    /// <exception cref="RefusedException">A field is wrong, the receipt was reversed, or a decision on the other account lies
    /// above the authority.</exception>
    public MovedReceipt Post(Tx tx, long entryId, MoveRequest request)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(request);
        var d = Decide(tx.Connection, entryId, request, tx.Rules());
        var waiting = 0L;
        var from = Effects.Around(
            tx,
            d.Account,
            () =>
            {
                var posted = PostingStore.Post(tx, d.Account, d.Posting);
                waiting = UnassignedDesk.Add(
                    tx,
                    posted.EntryId,
                    d.Money,
                    d.Row.Payer ?? d.Account.Name,
                    d.Row.PayerAccount ?? ""
                );
                tx.Connection.Execute(
                    "INSERT INTO receipt_move (posting, document_id) VALUES (@EntryId, @Document)",
                    new { posted.EntryId, d.Row.Document }
                );
                return (posted, d.Posting.Lines, d.Posting);
            }
        );
        var to = request.To is null ? null : unassigned.Assign(tx, waiting, request.To);
        return new(from, to, d.Amount, d.Receipt.Free, d.Receipt.Most);
    }

    private Decided Decide(SqliteConnection connection, long entryId, MoveRequest request, BooksRules rules)
    {
        var row =
            connection.QuerySingleOrDefault<Row>(
                """
                SELECT e.account_id account, d.id document, d.number, d.payment_method method, d.clears_on, d.reference,
                    i.id item, coalesce(b.payer, u.payer) payer, coalesce(b.payer_account, u.payer_account) payer_account,
                    coalesce(b.text, u.text) text
                FROM entry e JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id
                    JOIN item i ON i.account_id = d.account_id AND i.document_id = d.id
                    LEFT JOIN bank_entry_posted p ON p.posting = e.id LEFT JOIN bank_entry b ON b.id = p.entry_id
                    LEFT JOIN unassigned_receipt_assigned s ON s.posting = e.id
                    LEFT JOIN unassigned_receipt u ON u.id = s.receipt_id
                WHERE e.id = @entryId AND e.kind = @receipt
                """,
                new { entryId, receipt = PostingKind.Receipt }
            ) ?? throw new NotThereException("receipt", $"{entryId}");
        if (
            connection.ExecuteScalar<bool>(
                "SELECT EXISTS (SELECT 1 FROM entry WHERE reverses = @entryId)",
                new { entryId }
            )
        )
            throw new RefusedException("entry", $"{row.Number} was reversed; there is nothing to move.");
        var account = connection.QuerySingle<Account>("SELECT * FROM account WHERE id = @Account", new { row.Account });
        if (request.To is { } to && AccountStore.Get(connection, to.Account).Id == account.Id)
            throw new RefusedException("account", $"{row.Number} is on this account already; choose another one.");
        var receipt = MovableReceipt.Of(
            items.Details(connection, account, alsoClosed: true).Single(i => i.Item.Id == row.Item).Item,
            corrections
                .Of(connection, entryId)
                .Where(s => s.Credit.Item.Id == row.Item)
                .Select(s => (s.Allocation, s.Debit))
        );
        var amount = request.Amount(account.Currency) ?? receipt.Most;
        return new(
            row,
            account,
            receipt,
            amount,
            MovePosting.Of(receipt, amount, request.To?.Account ?? "", request.Reason, rules),
            Money(connection, row, receipt, amount, account)
        );
    }

    private static IncomingMoney Money(
        SqliteConnection connection,
        Row row,
        MovableReceipt receipt,
        Money amount,
        Account account
    )
    {
        var text = row.Text ?? row.Reference;
        return new(
            amount,
            Core.Money.Zero(amount.Currency),
            receipt.Item.Date,
            text,
            new(
                ReceiptOrigin.OnOneLine(text),
                CompanyStore.Settings(connection).PaymentMethods.FirstOrDefault(m => m.Code == row.Method),
                row.ClearsOn,
                PostingPurpose.UnassignedReceipts,
                $"{account.Code} {row.Number}"
            )
        );
    }
}
