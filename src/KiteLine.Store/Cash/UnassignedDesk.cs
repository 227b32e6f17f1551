using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Receipts whose payer is not known: posted, assigned to an account later, or taken back.</summary>
public sealed class UnassignedDesk(ReceiptDesk receipts)
{
    // The lines of what a payer wrote, as a statement's entry keeps them.
    private const string Waiting = """
        SELECT u.id, u.entry_id posting, u.currency, u.amount, u.charges, u.value_date, u.method, u.payer,
               u.payer_account, u.text, e.posted_by, e.posting_date, d.clears_on, d.number moved_number,
               a.code moved_account, a.name moved_account_name
        FROM unassigned_receipt u JOIN entry e ON e.id = u.entry_id
            LEFT JOIN receipt_move m ON m.posting = u.entry_id LEFT JOIN document d ON d.id = m.document_id
            LEFT JOIN account a ON a.id = d.account_id
        WHERE NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = u.entry_id)
          AND NOT EXISTS (SELECT 1 FROM unassigned_receipt_assigned p WHERE p.receipt_id = u.id
            AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting))
        """;

    private sealed record Row
    {
        public long Id { get; init; }
        public long Posting { get; init; }
        public Currency Currency { get; init; } = null!;
        public long Amount { get; init; }
        public long Charges { get; init; }
        public DateOnly ValueDate { get; init; }
        public string Method { get; init; } = "";
        public string Payer { get; init; } = "";
        public string PayerAccount { get; init; } = "";
        public string Text { get; init; } = "";
        public string PostedBy { get; init; } = "";
        public DateOnly PostingDate { get; init; }
        public DateOnly? ClearsOn { get; init; }
        public string? MovedNumber { get; init; }
        public string? MovedAccount { get; init; }
        public string? MovedAccountName { get; init; }

        internal UnassignedReceipt Receipt(CompanySettings settings) =>
            new(
                Id,
                Posting,
                new(
                    Money.FromMinor(Amount, Currency),
                    Money.FromMinor(Charges, Currency),
                    ValueDate,
                    Text,
                    new ReceiptOrigin(
                        ReceiptOrigin.OnOneLine(Text),
                        settings.PaymentMethods.FirstOrDefault(m => m.Code == Method),
                        ClearsOn,
                        PostingPurpose.UnassignedReceipts,
                        MovedNumber is null ? "" : $"{MovedAccount} {MovedNumber}"
                    )
                ),
                Payer,
                PayerAccount,
                PostedBy,
                PostingDate,
                MovedNumber is null ? null : new(MovedAccount!, MovedAccountName!, MovedNumber)
            );
    }

    /// <summary>Those that wait, the oldest first.</summary>
    public static IReadOnlyList<UnassignedReceipt> All(SqliteConnection connection, int skip, int most)
    {
        var settings = CompanyStore.Settings(connection);
        return
        [
            .. connection
                .Query<Row>($"{Waiting} ORDER BY u.id LIMIT @most OFFSET @skip", new { skip, most })
                .Select(r => r.Receipt(settings)),
        ];
    }

    /// <summary>How many wait.</summary>
    public static long Count(SqliteConnection connection) =>
        connection.ExecuteScalar<long>($"SELECT count(*) FROM ({Waiting})");

    /// <summary>One that waits.</summary>
    /// <exception cref="RefusedException">It was assigned or taken back already.</exception>
    /// <exception cref="NotThereException">There is none.</exception>
    public static UnassignedReceipt Get(SqliteConnection connection, long id)
    {
        if (
            !connection.ExecuteScalar<bool>(
                "SELECT EXISTS (SELECT 1 FROM unassigned_receipt WHERE id = @id)",
                new { id }
            )
        )
            throw new NotThereException("unassigned receipt", $"{id}");
        return connection
                .QuerySingleOrDefault<Row>($"{Waiting} AND u.id = @id", new { id })
                ?.Receipt(CompanyStore.Settings(connection))
            ?? throw new RefusedException("receipt", "This receipt was assigned, or taken back, already.");
    }

    /// <summary>
    /// Whose a receipt is by what is known now; null where still nobody is recognised, or only the account that it was moved
    /// off.
    /// </summary>
    public static RecognisedPayer? PayerOf(SqliteConnection connection, UnassignedReceipt receipt)
    {
        ArgumentNullException.ThrowIfNull(receipt);
        var payer = BankDesk.PayerOf(
            connection,
            new()
            {
                Reference = "",
                Date = receipt.PostedOn,
                ValueDate = receipt.Money.ValueDate,
                Amount = receipt.Money.Amount,
                Booked = true,
                Charges = receipt.Money.Charges,
                Payer = receipt.Payer,
                PayerAccount = receipt.PayerAccount,
                Text = receipt.Money.Remittance.Split('\n'),
            }
        );
        return payer?.Account == receipt.MovedFrom?.Account ? null : payer;
    }

    /// <summary>What posting an entry with no payer would do: its journal.</summary>
    public static Posting Preview(SqliteConnection connection, long entryId, BooksRules rules) =>
        UnassignedPosting.Of(BankDesk.Money(connection, BankEntryStore.Waiting(connection, entryId)), rules);

    /// <summary>Posts an entry of a statement whose payer is not known.</summary>
    /// <exception cref="RefusedException">It does not wait, or is no money that came in.</exception>
    public static (long EntryId, Posting Posting) Post(Tx tx, long entryId)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var entry = BankEntryStore.Waiting(tx.Connection, entryId);
        var money = BankDesk.Money(tx.Connection, entry);
        var posting = UnassignedPosting.Of(money, tx.Rules());
        var posted = PostingStore.PostOutside(tx, $"bank-entry:{entryId}", posting);
        BankEntryStore.Posted(tx, entryId, posted);
        Add(tx, posted, money, entry.Entry.Payer, entry.Entry.PayerAccount);
        return (posted, posting);
    }

    /// <summary>Money that a posting left with nobody assigned to it waits from now on.</summary>
    internal static long Add(Tx tx, long posted, IncomingMoney money, string payer, string payerAccount) =>
        tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO unassigned_receipt (entry_id, currency, amount, charges, value_date, method, payer, payer_account,
                text)
            VALUES (@posted, @Code, @amount, @charges, @ValueDate, @method, @payer, @payerAccount, @Remittance)
            RETURNING id
            """,
            new
            {
                posted,
                money.Amount.Currency.Code,
                amount = money.Amount.Minor,
                charges = money.Charges.Minor,
                money.ValueDate,
                method = money.Origin.Method?.Code ?? "",
                payer,
                payerAccount,
                money.Remittance,
            }
        );

    /// <summary>What assigning a receipt to an account would do.</summary>
    public Effect<Payment> Preview(
        SqliteConnection connection,
        long id,
        EntryPlacement placement,
        Authority authority,
        BooksRules rules
    ) => receipts.Preview(connection, placement, Get(connection, id).Money, authority, rules);

    /// <summary>Assigns a receipt to an account and shows what that did.</summary>
    /// <exception cref="RefusedException">It does not wait, a field is wrong, or a decision lies above the
    /// authority.</exception>
    public Effect<Payment> Assign(Tx tx, long id, EntryPlacement placement)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(placement);
        var receipt = Get(tx.Connection, id);
        var effect = receipts.Take(tx, placement, receipt.Money);
        tx.Connection.Execute(
            "INSERT INTO unassigned_receipt_assigned (receipt_id, posting) VALUES (@id, @EntryId)",
            new { id, effect.EntryId }
        );
        if (placement.Learn && receipt.PayerAccount.Length > 0)
            PayerAccountStore.Learn(tx, AccountStore.Get(tx.Connection, placement.Account), receipt.PayerAccount);
        return effect;
    }

    /// <summary>
    /// Takes back the posting of a receipt that nobody was assigned to: its entry waits again, or it is on the account again
    /// that it was moved off.
    /// </summary>
    /// <exception cref="RefusedException">No reason, or it does not wait.</exception>
    public static long TakeBack(Tx tx, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        Reason.Needed(reason);
        var receipt = Get(tx.Connection, id);
        if (receipt.MovedFrom is not null)
            return ReversalDesk.Post(tx, receipt.Posting, reason).Posted.EntryId;
        var lines = ReversalDesk.Lines(tx.Connection, receipt.Posting, receipt.Money.Amount.Currency);
        var posting = ReversalPosting.Of(lines, [], reason, tx.Rules());
        return PostingStore.PostOutside(tx, $"unassigned-receipt:{id}", posting, receipt.Posting);
    }
}
