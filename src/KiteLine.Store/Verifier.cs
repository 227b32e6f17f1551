using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Recomputes every projection from movements, charges and reminders, and checks the journal and the audit chain.
/// </summary>
public static class Verifier
{
    /// <summary>What is off, one sentence a row that names it; empty when the books are sound.</summary>
    public static IReadOnlyList<string> Check(SqliteConnection connection) => Check(connection, null);

    /// <summary>As <see cref="Check(SqliteConnection)"/>, and whether the log still holds a head of it.</summary>
    /// <param name="head">The hash of what was the last seal at some time, or the last row of the audit log, as it was
    /// printed; null when none is known.</param>
    public static IReadOnlyList<string> Check(SqliteConnection connection, string? head)
    {
        ArgumentNullException.ThrowIfNull(connection);
        return [.. Findings(connection, head)];
    }

    /// <summary>The same one by one; whoever needs only the first stops there.</summary>
    internal static IEnumerable<string> Findings(SqliteConnection connection, string? head = null) =>
        Parts(connection, head).SelectMany(found => found);

    private static IEnumerable<IEnumerable<string>> Parts(SqliteConnection connection, string? head)
    {
        if (
            !string.IsNullOrWhiteSpace(head)
            && connection.ExecuteScalar<long>(
                "SELECT (SELECT count(*) FROM seal WHERE hash = @hash) + (SELECT count(*) FROM audit WHERE hash = @hash)",
                new { hash = head.Trim() }
            ) == 0
        )
            yield return
            [
                $"seals: none has the hash {head.Trim()}; they were cut or written anew since it was printed",
            ];
        yield return Find(
            "integrity_check",
            "SELECT integrity_check FROM pragma_integrity_check WHERE integrity_check <> 'ok'"
        );
        yield return SchemaCheck.Off(connection);
        yield return Find(
            "foreign key",
            "SELECT \"table\" || ' row ' || rowid || ' names a row of ' || parent || ' that is missing' FROM "
                + "pragma_foreign_key_check"
        );
        yield return Find(
            "open amount",
            """
            SELECT 'item ' || i.id || ' of document ' || d.number || ': open is ' || i.open
                || ', its movements add up to ' || coalesce(sum(m.amount), 0)
            FROM item i JOIN document d ON d.id = i.document_id LEFT JOIN movement m ON m.item_id = i.id
            GROUP BY i.id HAVING i.open <> coalesce(sum(m.amount), 0)
            """
        );
        yield return Find(
            "due date",
            """
            SELECT 'item ' || c.item_id || ': entry ' || c.entry_id || ' changed its due date from ' || c.former
                || ', it was ' || coalesce(b.due, i.due)
            FROM due_change c JOIN item i ON i.id = c.item_id LEFT JOIN due_change b ON b.id =
                (SELECT max(x.id) FROM due_change x WHERE x.item_id = c.item_id AND x.id < c.id)
            WHERE c.former <> coalesce(b.due, i.due)
            UNION ALL
            SELECT 'item ' || c.item_id || ': entry ' || c.entry_id || ' changed its due date and neither amends nor reverses'
            FROM due_change c JOIN entry e ON e.id = c.entry_id
            WHERE NOT EXISTS (SELECT 1 FROM amendment a WHERE a.entry_id IN (e.id, e.reverses))
            """
        );
        yield return Find(
            "journal",
            "SELECT 'entry ' || entry_id || ' is out of balance by ' || sum(amount) FROM journal_line GROUP BY "
                + "entry_id HAVING sum(amount) <> 0"
        );
        yield return Find(
            "customers in the journal",
            $"""
            SELECT 'entry ' || e.id || ': customer lines are ' || coalesce(j.amount,
                0) || ', movements ' || coalesce(m.amount, 0)
            FROM entry e
            LEFT JOIN (SELECT entry_id, sum(amount) amount FROM journal_line
                       WHERE purpose IN ({(int)PostingPurpose.Receivables}, {(int)
                PostingPurpose.CashOnAccount}) GROUP BY entry_id) j ON j.entry_id = e.id
            LEFT JOIN (SELECT entry_id, sum(amount) amount FROM movement GROUP BY entry_id) m ON m.entry_id = e.id
            WHERE coalesce(j.amount, 0) <> coalesce(m.amount, 0)
            """
        );
        yield return Find(
            "allocation",
            $"""
            SELECT 'entry ' || entry_id || ', item ' || item_id || ': its allocations take ' || sum(allocated)
                || ', its movements ' || sum(moved)
            FROM (
                SELECT entry_id, debit_item_id item_id, -(cash + discount + write_off) allocated, 0 moved
                    FROM allocation
                UNION ALL SELECT entry_id, credit_item_id, cash, 0 FROM allocation
                UNION ALL SELECT n.entry_id, a.debit_item_id, a.cash + a.discount + a.write_off, 0 FROM allocation_undone n
                    JOIN allocation a ON a.id = n.allocation_id JOIN entry e ON e.id = n.entry_id
                    WHERE e.reverses IS NULL
                UNION ALL SELECT n.entry_id, a.credit_item_id, -a.cash, 0 FROM allocation_undone n
                    JOIN allocation a ON a.id = n.allocation_id JOIN entry e ON e.id = n.entry_id
                    WHERE e.reverses IS NULL
                UNION ALL SELECT m.entry_id, m.item_id, 0, m.amount FROM movement m CROSS JOIN entry e ON e.id = m.entry_id
                    WHERE m.kind <> {(int)MovementKind.Opened} AND e.reverses IS NULL AND e.kind <> {(int)
                PostingKind.WriteOff})
            GROUP BY entry_id, item_id HAVING sum(allocated) <> sum(moved)
            """
        );
        yield return Find(
            "allocation undone",
            $"""
            SELECT 'allocation ' || a.id || ' of entry ' || a.entry_id || ' stands, its entry is reversed by ' || r.id
            FROM allocation a JOIN entry r ON r.reverses = a.entry_id
            WHERE NOT EXISTS (SELECT 1 FROM allocation_undone n WHERE n.allocation_id = a.id AND n.entry_id = r.id)
            UNION ALL
            SELECT 'allocation ' || n.allocation_id || ' is undone by entry ' || e.id || ', which neither reverses its entry '
                || 'nor corrects it'
            FROM allocation_undone n JOIN allocation a ON a.id = n.allocation_id JOIN entry e ON e.id = n.entry_id
            WHERE NOT (e.reverses IS a.entry_id OR e.kind IN ({(int)PostingKind.Correction}, {(int)PostingKind.Move}))
            UNION ALL
            SELECT 'allocation ' || n.allocation_id || ' is undone ' || count(*) || ' times at once'
            FROM allocation_undone n WHERE NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = n.entry_id)
            GROUP BY n.allocation_id HAVING count(*) > 1
            """
        );
        yield return Find(
            "allocation kind",
            $"""
            SELECT 'allocation ' || a.id || ' from item ' || i.id || ' is of kind ' || a.kind FROM allocation a
                JOIN item i ON i.id = a.credit_item_id
            WHERE a.kind <> CASE i.kind WHEN {(int)ItemKind.Receipt} THEN {(int)MovementKind.Cash}
                ELSE {(int)MovementKind.SetOff} END
            """
        );
        yield return Find(
            "cash",
            $"""
            SELECT 'entry ' || e.id || ': the bank line is ' || coalesce(j.amount, 0) || ', the receipt ' || d.net
                || coalesce(', of which the bank kept ' || b.charges, '')
            FROM entry e JOIN document d ON d.entry_id = e.id
                LEFT JOIN (SELECT entry_id, sum(amount) amount FROM journal_line
                    WHERE purpose IN ({(int)PostingPurpose.Bank}, {(int)PostingPurpose.UnassignedReceipts})
                GROUP BY entry_id) j ON j.entry_id = e.id
                LEFT JOIN (SELECT p.posting, b.charges FROM bank_entry_posted p JOIN bank_entry b ON b.id = p.entry_id
                    UNION ALL SELECT a.posting, u.charges FROM unassigned_receipt_assigned a
                        JOIN unassigned_receipt u ON u.id = a.receipt_id) b ON b.posting = e.id
            WHERE e.kind = {(int)
                PostingKind.Receipt} AND e.account_id IS NOT NULL AND coalesce(j.amount, 0) + coalesce(b.charges, 0) <> d.net
            """
        );
        yield return Find(
            "opening reversal",
            """
            SELECT 'document ' || d.number || ' was taken back by entry ' || r.entry_id || ', which leaves ' || sum(m.amount)
            FROM opening_reversal r JOIN document d ON d.id = r.document_id JOIN item i ON i.document_id = d.id
            JOIN movement m ON m.item_id = i.id AND m.entry_id IN (d.entry_id, r.entry_id)
            GROUP BY d.id HAVING sum(m.amount) <> 0
            """
        );
        yield return Find(
            "charge document",
            """
            SELECT 'document ' || d.number || ' is ' || d.net || ', its charges add up to ' || sum(c.amount)
            FROM charge_line c JOIN document d ON d.entry_id = c.entry_id GROUP BY d.id HAVING d.net <> sum(c.amount)
            """
        );
        yield return Find(
            "messages",
            """
            SELECT 'message ' || m.id || ': what it says of itself is not what its last step says' FROM message m
            WHERE NOT EXISTS (SELECT 1 FROM message_step s
                WHERE s.id = (SELECT max(l.id) FROM message_step l WHERE l.message_id = m.id)
                    AND s.state = m.state AND s.tries = m.tries AND s.due_at IS m.due_at)
            """
        );
        yield return Find(
            "runs",
            """
            SELECT 'run ' || r.id || ': its state is not what its last step says' FROM run r
            WHERE NOT EXISTS (SELECT 1 FROM run_step s
                WHERE s.id = (SELECT max(l.id) FROM run_step l WHERE l.run_id = r.id) AND s.state = r.state)
            """
        );
        yield return Find(
            "reminder level",
            """
            SELECT 'item ' || i.id || ': reminder level is ' || i.reminder_level || ' after ' || i.reminders
                || ' reminders, the last on ' || coalesce(i.reminded_on, 'no day') || '; they say ' || coalesce(r.level, 0)
                || ' after ' || coalesce(r.reminders, 0) || ', the last on ' || coalesce(r.date, 'no day')
            FROM item i LEFT JOIN (
                SELECT item_id, level, count(*) reminders, max(date) date FROM (
                    SELECT ri.item_id, m.date,
                        first_value(ri.level) OVER (PARTITION BY ri.item_id ORDER BY m.date DESC, m.id DESC) level
                    FROM reminder_item ri JOIN reminder m ON m.id = ri.reminder_id
                    WHERE ri.moves AND ri.reminder_id NOT IN (SELECT reminder_id FROM reminder_cancelled))
                GROUP BY item_id) r ON r.item_id = i.id
            WHERE i.reminder_level <> coalesce(r.level, 0) OR i.reminders <> coalesce(r.reminders, 0)
                OR i.reminded_on IS NOT r.date
            """
        );
        yield return Find(
            "policies",
            "SELECT kind || ' ' || code || ' has ' || sum(is_current) || ' current versions' FROM policy GROUP BY "
                + "kind, code HAVING sum(is_current) <> 1"
        );
        yield return Find(
            "groups",
            "SELECT 'account ' || a.code || ' names the group ' || a.group_name || ', which is missing' FROM account "
                + "a WHERE a.group_name <> '' AND NOT EXISTS (SELECT 1 FROM account_group g WHERE g.name = a.group_name)"
        );
        yield return Find(
            "orders",
            """
            SELECT 'order ' || o.number || ': ' || s.invoiced
                || ' of it is invoiced, its invoices add up to ' || coalesce(d.gross, 0)
            FROM sales_order o JOIN order_step s ON s.order_id = o.id
                AND s.seq = (SELECT max(seq) FROM order_step l WHERE l.order_id = o.id)
            LEFT JOIN (SELECT order_id, sum(net + tax) gross FROM document d WHERE order_id IS NOT NULL AND NOT
                EXISTS (SELECT 1 FROM reversed_document r WHERE r.document_id = d.id)
                GROUP BY order_id) d ON d.order_id = o.id
            WHERE s.invoiced <> coalesce(d.gross, 0)
            """
        );
        yield return Find(
            "open orders",
            """
            SELECT 'order ' || o.number || ': listed as open is ' || (p.order_id IS NOT NULL)
                || ', over by its last step is ' || s.is_over
            FROM sales_order o JOIN order_step s ON s.order_id = o.id
                AND s.seq = (SELECT max(seq) FROM order_step l WHERE l.order_id = o.id)
            LEFT JOIN open_order p ON p.order_id = o.id WHERE (p.order_id IS NULL) <> s.is_over
            """
        );
        yield return Find(
            "balances",
            """
            SELECT 'account ' || account || ', purpose ' || purpose || ', ' || currency || ', ' || day
                || ': its balance is off by ' || sum(debit) || ' debit, ' || sum(credit) || ' credit, ' || sum(lines) || ' lines'
            FROM (
                SELECT account, purpose, currency, day, debit, credit, lines FROM journal_day
                UNION ALL SELECT l.account, l.purpose, e.currency, e.posting_date, -sum(max(l.amount, 0)),
                    -sum(max(-l.amount, 0)), -count(*) FROM journal_line l JOIN entry e ON e.id = l.entry_id
                    GROUP BY 1, 2, 3, 4)
            GROUP BY account, purpose, currency, day HAVING sum(debit) <> 0 OR sum(credit) <> 0 OR sum(lines) <> 0
            """
        );
        yield return Find(
            "to be banked",
            """
            SELECT 'receipt of entry ' || posting || ': listed as to be banked is ' || sum(listed) || ', its slips say '
                || sum(waits)
            FROM (SELECT posting, 1 listed, 0 waits FROM to_bank
                UNION ALL SELECT h.posting, 0, 1 FROM hand_receipt h
                    WHERE NOT EXISTS (SELECT 1 FROM slip_receipt b WHERE b.posting = h.posting))
            GROUP BY posting HAVING sum(listed) <> sum(waits)
            UNION ALL
            SELECT 'receipt of entry ' || t.posting || ' is listed under ' || t.method || ', it was taken by ' || h.method
            FROM to_bank t JOIN hand_receipt h ON h.posting = t.posting WHERE h.method <> t.method
            """
        );
        yield return Find(
            "slips",
            """
            SELECT 'receipt of entry ' || posting || ': its slip is ' || coalesce(sum(listed), 'none')
                || ', its changes say ' || coalesce(sum(stands), 'none')
            FROM (SELECT posting, batch_id listed, NULL stands FROM slip_receipt
                UNION ALL SELECT b.posting, NULL, CASE
                    WHEN NOT EXISTS (SELECT 1 FROM slip_change c WHERE c.posting = b.posting) THEN b.batch_id
                    ELSE (SELECT iif(c.off, NULL, c.batch_id) FROM slip_change c WHERE c.posting = b.posting
                        ORDER BY c.id DESC LIMIT 1) END
                    FROM (SELECT posting, batch_id FROM banking_batch_receipt
                        UNION ALL SELECT posting, max(batch_id) FROM slip_change WHERE posting NOT IN
                            (SELECT posting FROM banking_batch_receipt) GROUP BY posting) b)
            GROUP BY posting HAVING sum(listed) IS NOT sum(stands)
            """
        );
        yield return Find(
            "identifiers",
            """
            SELECT 'account ' || a.code || ': its record has ' || coalesce(json_array_length(a.profile,
                '$.identifiers'), 0) || ' identifiers, ' || count(i.number) || ' are listed'
            FROM account a LEFT JOIN account_identifier i ON i.account_id = a.id
            GROUP BY a.id HAVING coalesce(json_array_length(a.profile, '$.identifiers'), 0) <> count(i.number)
            """
        );
        yield return Find(
            "attachment",
            "SELECT 'attachment ' || id || ' (' || name || ') has ' || length(content) || ' bytes of ' || size FROM "
                + "attachment WHERE length(content) <> size"
        );
        yield return SealCheck.Off(connection);
        yield return AuditChain(connection);
        yield return Positions(connection);

        IEnumerable<string> Find(string what, string sql) =>
            connection.Query<string>(sql).Select(row => $"{what}: {row}");
    }

    private static List<string> Positions(SqliteConnection connection)
    {
        var off = new List<string>();
        try
        {
            Positions(connection, off);
        }
        catch (Exception e) when (e is not (SqliteException or OperationCanceledException))
        {
            // Rows that are not as the program writes them may not even be read; they are named above.
            off.Add($"position: cannot be worked out from the rows there are: {e.Message}");
        }

        return off;
    }

    // What positions show today, against a plain sum of the movements by the later of their two dates.
    private static void Positions(SqliteConnection connection, List<string> off)
    {
        if (connection.ExecuteScalar<string>("SELECT max(posting_date) FROM entry") is not { } last)
            return;
        var day = Columns.Date(last);
        var sums = connection
            .Query<(string Code, long Balance, long Overdue)>(
                $"""
                SELECT a.code, coalesce(sum(m.amount), 0),
                    coalesce(sum(CASE WHEN {DueChanges.Now} < @last THEN m.amount END), 0)
                FROM account a LEFT JOIN item i ON i.account_id = a.id LEFT JOIN movement m ON m.item_id = i.id
                    LEFT JOIN entry e ON e.id = m.entry_id
                WHERE m.item_id IS NULL OR max(m.value_date,
                    CASE WHEN e.account_id IS NULL THEN '' ELSE e.posting_date END) <= @last
                GROUP BY a.id
                """,
                new { last }
            )
            .ToDictionary(s => s.Code, StringComparer.OrdinalIgnoreCase);
        var rules = Rules.Positions(connection, day);
        var accounts = BookLoader.Load(connection);
        Copy(connection, accounts, off);
        foreach (var account in accounts)
        {
            var p = AccountPosition.On(account, day, rules);
            var (_, balance, overdue) = sums.GetValueOrDefault(account.Code);
            if (p.Ageing.Sum() != balance || p.Overdue != overdue)
                off.Add(
                    $"position: account {account.Code} shows {p.Ageing.Sum()} with {p.Overdue} overdue on {last}, "
                        + $"its movements add up to {balance} with {overdue}"
                );
        }
    }

    // What the next start would take for the items, against the rows.
    private static void Copy(SqliteConnection connection, BookAccount[] accounts, List<string> off)
    {
        if (BookCopy.Open(connection) is not { } copy)
            return;
        var places = accounts.Select((a, place) => (a.Id, place)).ToDictionary(a => a.Id, a => a.place);
        if (copy.Of(places) is not { } copied)
            return;
        foreach (var (account, held) in accounts.Zip(copied))
            if (
                !account.Items.AsSpan().SequenceEqual(held.Items)
                || !account.ItemIds.AsSpan().SequenceEqual(held.Ids)
                || !account.Movements.AsSpan().SequenceEqual(held.Movements)
            )
                off.Add(
                    $"copy: what {BookCopy.PathOf(connection.DataSource)} says of account {account.Code} is not in the "
                        + "books; delete that file"
                );
    }

    private static IEnumerable<string> AuditChain(SqliteConnection connection)
    {
        var (prior, last) = ("", 0L);
        foreach (var row in connection.Query<AuditRow>("SELECT * FROM audit ORDER BY id", buffered: false))
        {
            if (row.Id != last + 1)
                yield return $"audit: rows {last + 1} to {row.Id - 1} are missing";
            if (row.PriorHash != prior || row.Hash != row.ComputeHash())
                yield return $"audit: row {row.Id} ({row.Action} {row.Subject}) does not fit the chain";
            (prior, last) = (row.Hash, row.Id);
        }
    }
}
