using Dapper;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// Writes postings. Every change of an open amount passes through here, but for opening items by import.
/// </summary>
public static class PostingStore
{
    /// <summary>Writes a posting for an account.</summary>
    /// <param name="ownTerms">Terms that hold for its document alone; null where those of
    /// <paramref name="termsId"/> do.</param>
    /// <exception cref="RefusedException">The posting date is closed, or a document number is taken.</exception>
    public static Posted Post(
        Tx tx,
        Account account,
        Posting posting,
        long? termsId = null,
        long? reverses = null,
        long? calendarId = null,
        TermsDefinition? ownTerms = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(posting);
        var settings = tx.Settings();
        var entry = AddEntry(tx, account, account.Currency, posting, reverses, settings);
        var items = new List<long>();
        string? first = null;
        foreach (var document in posting.Documents)
        {
            if (document.Number is { } given)
                Numbers.RefuseTaken(tx.Connection, account, document.Kind, given);
            var number = document.Number ?? Numbers.NextFree(tx, settings, document.Kind);
            first ??= number;
            var revision =
                Numbers.Revision(tx.Connection, account.Id, number)
                ?? throw new RefusedException("number", $"The account has a document ‘{number}’ already.");
            using var row = Prepared.Kept(
                tx.Connection,
                """
                INSERT INTO document (account_id, entry_id, kind, number, revision, date, net, tax, not_discountable,
                    terms_id, calendar_id, reference, payment_method, clears_on, order_id)
                VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, ?10, ?11, ?12, ?13, ?14, ?15)
                """
            );
            row.Bind(1, account.Id);
            row.Bind(2, entry);
            row.Bind(3, (long)document.Kind);
            row.Bind(4, number);
            row.Bind(5, revision);
            row.Bind(6, document.Date);
            row.Bind(7, document.Net.Minor);
            row.Bind(8, document.Tax.Minor);
            row.Bind(9, document.NotDiscountable.Minor);
            row.Bind(10, termsId);
            row.Bind(11, calendarId);
            row.Bind(12, document.Reference);
            row.Bind(13, document.PaymentMethod);
            row.Bind(14, document.ClearsOn);
            row.Bind(15, document.OrderId);
            var id = row.RunForId();
            DocumentStore.AddParts(tx, account.Id, id, document, ownTerms);
            DocumentPapers.Keep(tx, account, id, document);
            foreach (var item in document.Items)
            {
                using var kept = Prepared.Kept(
                    tx.Connection,
                    """
                    INSERT INTO item (document_id, account_id, kind, instalment, instalments, date, due, open)
                    VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)
                    """
                );
                kept.Bind(1, id);
                kept.Bind(2, account.Id);
                kept.Bind(3, (long)document.Kind);
                kept.Bind(4, item.Instalment);
                kept.Bind(5, document.Items.Count);
                kept.Bind(6, document.Date);
                kept.Bind(7, item.Due);
                kept.Bind(8, item.Movements.Sum(m => m.Amount.Minor));
                var itemId = kept.RunForId();
                items.Add(itemId);
                tx.Move(account.Id, itemId);
                for (var i = 0; i < item.Movements.Count; i++)
                    AddMovement(tx, entry, new(itemId, item.Movements[i]), i + 1);
            }
        }

        foreach (var movement in posting.Movements)
            Move(tx, account.Id, entry, movement);
        foreach (var undone in posting.Undone)
        {
            foreach (var movement in undone.TakenBack())
                Move(tx, account.Id, entry, movement);
            tx.Connection.Execute(
                "INSERT INTO allocation_undone (allocation_id, entry_id) VALUES (@Id, @entry)",
                new { undone.Id, entry }
            );
        }

        foreach (var allocation in posting.Allocations)
            Allocate(tx, account.Id, entry, allocation, allocation.Credit ?? items[0], allocation.Debit ?? items[0]);
        if (reverses is { } back)
            OutboxStore.TakenBack(tx, account.Id, back, null);
        Record(tx, $"account:{account.Code}", entry, posting, first);
        tx.Touch(account.Id);
        return new(entry, items, first);
    }

    /// <summary>Writes a posting that is on no customer's account: a journal entry, and neither documents nor items.</summary>
    /// <param name="subject">What it is recorded under.</param>
    /// <exception cref="RefusedException">The posting date is closed.</exception>
    public static long PostOutside(Tx tx, string subject, Posting posting, long? reverses = null)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(posting);
        var currency = posting.Lines[0].Amount.Currency;
        var entry = AddEntry(tx, null, currency, posting, reverses, tx.Settings());
        Record(tx, subject, entry, posting, null);
        return entry;
    }

    private static long AddEntry(
        Tx tx,
        Account? account,
        Currency currency,
        Posting posting,
        long? reverses,
        CompanySettings settings
    )
    {
        tx.Rules().RefuseClosed(posting.PostingDate, "postingDate");
        using var head = Prepared.Kept(
            tx.Connection,
            """
            INSERT INTO entry (kind, account_id, posting_date, text, currency, reverses, posted_by, posted_at)
            VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)
            """
        );
        head.Bind(1, (long)posting.Kind);
        head.Bind(2, account?.Id);
        head.Bind(3, posting.PostingDate);
        head.Bind(4, posting.Text);
        head.Bind(5, currency.Code);
        head.Bind(6, reverses);
        head.Bind(7, tx.Who);
        head.Bind(8, tx.Now);
        var entry = head.RunForId();
        tx.Postings.Add(posting.Kind);
        using var row = Prepared.Kept(tx.Connection, "INSERT INTO journal_line VALUES (?1, ?2, ?3, ?4, ?5)");
        row.Bind(1, entry);
        for (var i = 0; i < posting.Lines.Count; i++)
        {
            var line = posting.Lines[i];
            row.Bind(2, i);
            row.Bind(3, (long)line.Purpose);
            row.Bind(4, line.Amount.Minor);
            row.Bind(
                5,
                line.Account.Length > 0
                    ? line.Account
                    : settings.AccountFor(line.Purpose, account?.Profile.ControlGroup ?? "")
            );
            row.Run();
        }

        return entry;
    }

    private static void Record(Tx tx, string subject, long entry, Posting posting, string? number) =>
        Audit.Record(
            tx,
            subject,
            posting.Kind.ToString(),
            new
            {
                entry,
                posting.PostingDate,
                number,
                lines = posting.Lines.Select(l => new { l.Purpose, amount = l.Amount.ToString() }),
            },
            posting.Text
        );

    private static void Allocate(Tx tx, long accountId, long entry, NewAllocation a, long credit, long debit)
    {
        tx.Connection.Execute(
            """
            INSERT INTO allocation (entry_id, credit_item_id, debit_item_id, kind, value_date, cash, discount,
                write_off)
            VALUES (@entry, @credit, @debit, @Kind, @ValueDate, @cash, @discount, @writeOff)
            """,
            new
            {
                entry,
                credit,
                debit,
                a.Kind,
                a.ValueDate,
                cash = a.Cash.Minor,
                discount = a.Discount.Minor,
                writeOff = a.WriteOff.Minor,
            }
        );
        foreach (var movement in a.OfDebit())
            Move(tx, accountId, entry, new(debit, movement));
        foreach (var movement in a.OfCredit())
            Move(tx, accountId, entry, new(credit, movement));
    }

    private static void Move(Tx tx, long accountId, long entry, ItemMovement change)
    {
        tx.Move(accountId, change.ItemId);
        using var later = Prepared.Kept(
            tx.Connection,
            "SELECT coalesce(max(seq), 0) + 1 FROM movement WHERE item_id = ?1"
        );
        later.Bind(1, change.ItemId);
        later.Next();
        var seq = later.Long(0);
        AddMovement(tx, entry, change, seq);
        using var item = Prepared.Kept(tx.Connection, "UPDATE item SET open = open + ?2 WHERE id = ?1");
        item.Bind(1, change.ItemId);
        item.Bind(2, change.Movement.Amount.Minor);
        item.Run();
    }

    private static void AddMovement(Tx tx, long entry, ItemMovement change, long seq)
    {
        var m = change.Movement;
        using var movement = Prepared.Kept(
            tx.Connection,
            "INSERT INTO movement (item_id, seq, entry_id, kind, value_date, amount) VALUES (?1, ?2, ?3, ?4, ?5, ?6)"
        );
        movement.Bind(1, change.ItemId);
        movement.Bind(2, seq);
        movement.Bind(3, entry);
        movement.Bind(4, (long)m.Kind);
        movement.Bind(5, Columns.Text(m.ValueDate));
        movement.Bind(6, m.Amount.Minor);
        movement.Run();
        if (seq == 1)
            return;
        using var unsealed = Prepared.Kept(
            tx.Connection,
            "INSERT OR IGNORE INTO unsealed VALUES ('movement_later', CAST(?1 AS TEXT))"
        );
        unsealed.Bind(1, change.ItemId);
        unsealed.Run();
    }
}
