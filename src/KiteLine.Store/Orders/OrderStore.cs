using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads and writes orders and their steps.</summary>
public static class OrderStore
{
    private sealed record OrderRow
    {
        public long Id { get; init; }
        public long AccountId { get; init; }
        public string Number { get; init; } = "";
        public DateOnly Date { get; init; }
        public string Reference { get; init; } = "";
        public string Source { get; init; } = "";
        public string? Terms { get; init; }
    }

    private sealed record StepRow
    {
        public long OrderId { get; init; }
        public long Seq { get; init; }
        public OrderStepKind Kind { get; init; }
        public DateOnly OnDate { get; init; }
        public long Total { get; init; }
        public long Approved { get; init; }
        public long Invoiced { get; init; }
        public DateOnly? UntilDate { get; init; }
        public bool IsOver { get; init; }
        public string Deliveries { get; init; } = "";
        public long Deposit { get; init; }
        public string Findings { get; init; } = "";
        public long? EntryId { get; init; }
        public string Reason { get; init; } = "";
        public string MadeBy { get; init; } = "";
        public string MadeAt { get; init; } = "";

        internal OrderEvent ToEvent() =>
            new(
                (int)Seq,
                Kind,
                new(OnDate, Total, Approved, Invoiced, UntilDate, IsOver),
                Json.Read<OrderDelivery[]>(Deliveries),
                Deposit,
                Json.Read<KeptFinding[]>(Findings),
                EntryId,
                Reason,
                MadeBy,
                MadeAt
            );
    }

    /// <summary>The order with this identifier.</summary>
    /// <exception cref="NotThereException">There is none.</exception>
    public static SalesOrder Get(SqliteConnection connection, long id) =>
        Where(connection, "o.id = @id", new { id }).FirstOrDefault() ?? throw new NotThereException("order", $"{id}");

    /// <summary>The order of an account with this number, or null.</summary>
    public static SalesOrder? Find(SqliteConnection connection, Account account, string number)
    {
        ArgumentNullException.ThrowIfNull(account);
        return Where(connection, "o.account_id = @Id AND o.number = @number", new { account.Id, number })
            .FirstOrDefault();
    }

    /// <summary>All orders of an account, latest first.</summary>
    public static IReadOnlyList<SalesOrder> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return Where(connection, "o.account_id = @Id", new { account.Id });
    }

    /// <summary>Orders of which something is still to come, latest first; or all.</summary>
    public static IReadOnlyList<SalesOrder> All(SqliteConnection connection, bool alsoOver, int take) =>
        Where(
            connection,
            alsoOver
                ? $"o.id IN (SELECT id FROM sales_order ORDER BY id DESC LIMIT {take})"
                : "o.id IN (SELECT order_id FROM open_order)",
            new { }
        );

    /// <summary>Orders of some accounts of which something is still to come, latest first.</summary>
    public static IReadOnlyList<SalesOrder> Open(SqliteConnection connection, IReadOnlyList<long> accounts) =>
        accounts.Count == 0
            ? []
            : Where(
                connection,
                "o.account_id IN (SELECT value FROM json_each(@accounts)) AND o.id IN (SELECT order_id FROM open_order)",
                new { accounts = Json.Write(accounts) }
            );

    private static List<SalesOrder> Where(SqliteConnection connection, string condition, object values)
    {
        var rows = connection
            .Query<OrderRow>(
                $"SELECT o.id, o.account_id, o.number, o.date, o.reference, o.source, t.terms FROM sales_order o "
                    + $"LEFT JOIN order_terms t ON t.order_id = o.id WHERE {condition} ORDER BY o.id DESC",
                values
            )
            .AsList();
        if (rows.Count == 0)
            return [];
        var steps = connection
            .Query<StepRow>(
                $"SELECT s.* FROM sales_order o JOIN order_step s ON s.order_id = o.id WHERE {condition} ORDER BY "
                    + $"s.order_id, s.seq",
                values
            )
            .ToLookup(s => s.OrderId, s => s.ToEvent());
        var accounts = connection
            .Query<Account>(
                $"SELECT * FROM account WHERE id IN (SELECT o.account_id FROM sales_order o WHERE {condition})",
                values
            )
            .ToDictionary(a => a.Id);
        return
        [
            .. rows.Select(r => new SalesOrder(
                r.Id,
                accounts[r.AccountId],
                r.Number,
                r.Date,
                r.Reference,
                r.Source,
                [.. steps[r.Id]]
            )
            {
                Terms = r.Terms,
            }),
        ];
    }

    internal static long Insert(Tx tx, Account account, NewOrder order)
    {
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO sales_order (account_id, number, date, reference, source, made_by, made_at)
            VALUES (@Id, @Number, @Date, @Reference, @Source, @Who, @Now) RETURNING id
            """,
            new
            {
                account.Id,
                order.Number,
                order.Date,
                order.Reference,
                order.Source,
                tx.Who,
                tx.Now,
            }
        );
        if (order.Terms is not null)
            tx.Connection.Execute("INSERT INTO order_terms VALUES (@id, @Terms)", new { id, order.Terms });
        return id;
    }

    internal static void Add(
        Tx tx,
        Account account,
        string number,
        long orderId,
        int seq,
        OrderStepKind kind,
        OrderStep step,
        IReadOnlyList<OrderDelivery> deliveries,
        string reason,
        IEnumerable<Finding>? findings = null,
        long deposit = 0,
        long? entryId = null
    )
    {
        tx.Connection.Execute(
            """
            INSERT INTO order_step (order_id, seq, kind, on_date, total, approved, invoiced, until_date, is_over,
                deliveries, deposit, findings, entry_id, reason, made_by, made_at)
            VALUES (@orderId, @seq, @kind, @On, @Total, @Approved, @Invoiced, @Until, @Over, @deliveries, @deposit,
                @findings, @entryId, @reason, @Who, @Now)
            """,
            new
            {
                orderId,
                seq,
                kind,
                step.On,
                step.Total,
                step.Approved,
                step.Invoiced,
                step.Until,
                step.Over,
                deliveries = Json.Write(deliveries),
                deposit,
                findings = Json.Write((findings ?? []).Select(f => new KeptFinding(f.Kind, f.Response, f.Text))),
                entryId,
                reason,
                tx.Who,
                tx.Now,
            }
        );
        string Text(long minor) => Money.FromMinor(minor, account.Currency).ToString();
        Audit.Record(
            tx,
            $"account:{account.Code}",
            $"order {Words(kind)}",
            new
            {
                order = number,
                total = Text(step.Total),
                approved = Text(step.Approved),
                invoiced = Text(step.Invoiced),
                step.Until,
            },
            reason
        );
        tx.Touch(account.Id);
    }

    private static string Words(OrderStepKind kind) =>
        kind switch
        {
            OrderStepKind.DepositAsked => "deposit asked",
            OrderStepKind.InvoiceReversed => "invoice reversed",
            _ => kind.ToString().ToLowerInvariant(),
        };
}
