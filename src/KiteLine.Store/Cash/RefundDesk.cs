using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Pays money back: posts refunds, orders them from the bank, and settles them by its entries.</summary>
public sealed class RefundDesk(ItemStore items)
{
    // An order that is larger is a mistake; banks take as many.
    private const int MostInFile = 10_000;

    private const string All = $"""
        SELECT r.id, r.entry_id, r.number, a.code account_code, a.name account_name, e.posting_date, r.currency, r.amount,
            r.bank_account, r.holder, r.reference, e.text, e.posted_by,
            (SELECT p.file_id FROM payment_file_refund p WHERE p.refund_id = r.id) file,
            (SELECT c.posting FROM cleared c WHERE c.refund_id = r.id AND {Cleared.Standing}) paid_by,
            (SELECT x.id FROM entry x WHERE x.reverses = r.entry_id) reversed_by
        FROM refund r JOIN entry e ON e.id = r.entry_id JOIN account a ON a.id = r.account_id
        """;

    private const string Files = """
        SELECT f.id, o.account, o.currency, f.message_id, f.execute_on, f.made_by, f.made_at, count(*) refunds,
            sum(r.amount) amount
        FROM payment_file f JOIN own_account o ON o.id = f.own_account_id
            JOIN payment_file_refund p ON p.file_id = f.id JOIN refund r ON r.id = p.refund_id
        """;

    /// <summary>What paying back would do.</summary>
    public Effect<string> Preview(
        SqliteConnection connection,
        string code,
        Func<Account, RefundRequest> read,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(read);
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, code);
        var posting = Decide(connection, account, read(account), authority, rules);
        return Effects.Shown(connection, account, rules.Today, posting.Lines, "", book => book.After(posting));
    }

    /// <summary>Pays back: posts the refund, which then waits to be ordered from the bank.</summary>
    /// <exception cref="RefusedException">A field is wrong, or it lies above the authority.</exception>
    public Effect<string> Post(Tx tx, string code, Func<Account, RefundRequest> read)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(read);
        var account = AccountStore.Get(tx.Connection, code);
        return Effects.Around(
            tx,
            account,
            () =>
            {
                var request = read(account);
                var posting = Decide(tx.Connection, account, request, tx.Actor.Authority, tx.Rules());
                var posted = PostingStore.Post(tx, account, posting);
                tx.Connection.Execute(
                    """
                    INSERT INTO refund (entry_id, account_id, number, currency, amount, bank_account, holder, reference)
                    VALUES (@EntryId, @Id, @Number, @Code, @Minor, @bank, @holder, @reference)
                    """,
                    new
                    {
                        posted.EntryId,
                        account.Id,
                        posted.Number,
                        account.Currency.Code,
                        request.Amount.Minor,
                        bank = BankAccountNumber.Read(request.BankAccount, "bankAccount"),
                        holder = request.Holder.Trim(),
                        reference = request.Reference.Trim(),
                    }
                );
                return (posted, posting.Lines, posted.Number ?? "");
            }
        );
    }

    private Posting Decide(
        SqliteConnection connection,
        Account account,
        RefundRequest request,
        Authority authority,
        BooksRules rules
    )
    {
        var open = items.Items(connection, account).ToDictionary(i => i.Id);
        var credits = request
            .Credits.Distinct()
            .Select(id =>
                open.GetValueOrDefault(id)
                ?? throw new RefusedException("credits", "One of the credits is used up, or is on another account.")
            )
            .ToList();
        var before = connection.ExecuteScalar<long>(
            """
            SELECT coalesce(sum(a.cash), 0) FROM allocation a JOIN item i ON i.id = a.debit_item_id
            WHERE a.credit_item_id IN @ids AND i.kind = @refund
                AND NOT EXISTS (SELECT 1 FROM allocation_undone u WHERE u.allocation_id = a.id
                    AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = u.entry_id))
            """,
            new { ids = credits.Select(c => c.Id), refund = ItemKind.Refund }
        );
        return RefundPosting.Of(request, credits, Money.FromMinor(before, account.Currency), authority, rules);
    }

    /// <summary>Refunds, the latest first.</summary>
    public static IReadOnlyList<Refund> List(SqliteConnection connection, int skip, int take) =>
        connection.Query<Refund>($"{All} ORDER BY r.id DESC LIMIT @take OFFSET @skip", new { skip, take }).AsList();

    /// <summary>How many there are.</summary>
    public static long Count(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM refund");

    /// <summary>One refund.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static Refund Get(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<Refund>($"{All} WHERE r.id = @id", new { id })
        ?? throw new NotThereException("refund", $"{id}");

    /// <summary>Files that the bank was given, the latest first.</summary>
    public static IReadOnlyList<PaymentFile> PaymentFiles(SqliteConnection connection, int skip, int take) =>
        connection
            .Query<PaymentFile>(
                $"{Files} GROUP BY f.id ORDER BY f.id DESC LIMIT @take OFFSET @skip",
                new { skip, take }
            )
            .AsList();

    /// <summary>How many there are.</summary>
    public static long CountFiles(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM payment_file");

    /// <summary>Orders everything that waits in the currency of a bank account, in one file.</summary>
    /// <exception cref="RefusedException">The account is none of the company's, the day is past, or nothing waits.</exception>
    public static PaymentFile Order(Tx tx, string ownAccount, DateOnly? executeOn)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var today = tx.Rules().Today;
        var own =
            OwnAccountStore.Find(tx.Connection, ownAccount)
            ?? throw new RefusedException("account", "This is no bank account of the company; add it first.");
        var on = executeOn ?? today;
        if (on < today)
            throw new RefusedException("executeOn", "The bank can pay on the business date or later.");
        var waiting = tx
            .Connection.Query<long>(
                $"""
                SELECT r.id FROM refund r WHERE r.currency = @Code
                    AND NOT EXISTS (SELECT 1 FROM payment_file_refund p WHERE p.refund_id = r.id)
                    AND NOT EXISTS (SELECT 1 FROM entry x WHERE x.reverses = r.entry_id) ORDER BY r.id LIMIT {MostInFile}
                """,
                new { own.Currency.Code }
            )
            .AsList();
        if (waiting.Count == 0)
            throw new RefusedException("account", $"No refund in {own.Currency.Code} waits to be ordered.");
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO payment_file (own_account_id, message_id, execute_on, made_by, made_at)
            SELECT @Id, printf('KL-%s-%06d', strftime('%Y%m%d', @on), 1 + (SELECT coalesce(max(id), 0) FROM payment_file)),
                @on, @Who, @Now RETURNING id
            """,
            new
            {
                own.Id,
                on,
                tx.Who,
                tx.Now,
            }
        );
        foreach (var refund in waiting)
            tx.Connection.Execute(
                "INSERT INTO payment_file_refund (file_id, refund_id) VALUES (@id, @refund)",
                new { id, refund }
            );
        Audit.Record(tx, "refunds", "ordered from the bank", new { file = id, refunds = waiting.Count });
        return FileOf(tx.Connection, id);
    }

    /// <summary>What a file asks of the bank; the same whenever it is read.</summary>
    /// <exception cref="NotThereException">There is none of this number.</exception>
    public static PaymentOrder OrderOf(SqliteConnection connection, long id)
    {
        var file = FileOf(connection, id);
        var refunds = connection.Query<Refund>(
            $"{All} WHERE r.id IN (SELECT refund_id FROM payment_file_refund WHERE file_id = @id) ORDER BY r.id",
            new { id }
        );
        return new(
            file.MessageId,
            CompanyStore.Settings(connection).Name,
            file.Account,
            file.Currency,
            file.ExecuteOn,
            DateTimeOffset.Parse(file.MadeAt, CultureInfo.InvariantCulture),
            [
                .. refunds.Select(r => new PaymentOrderLine(
                    r.Number,
                    r.Money,
                    r.Holder,
                    r.BankAccount,
                    r.Reference.Length > 0 ? r.Reference : r.Number
                )),
            ]
        );
    }

    private static PaymentFile FileOf(SqliteConnection connection, long id) =>
        connection.QuerySingleOrDefault<PaymentFile>($"{Files} WHERE f.id = @id GROUP BY f.id", new { id })
        ?? throw new NotThereException("payment file", $"{id}");
}
