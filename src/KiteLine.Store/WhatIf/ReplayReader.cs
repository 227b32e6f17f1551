using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads what happened on accounts, for replaying it.</summary>
public sealed class ReplayReader
{
    private readonly ItemStore _items;
    private readonly VersionCache _versions;
    private readonly RaisedLines _raised;
    private readonly RunPolicies _policies;
    private readonly IReadOnlyList<CompanyRuns.Posted> _runs;

    /// <param name="period">Which runs are looked at.</param>
    public ReplayReader(SqliteConnection connection, ItemStore items, VersionCache versions, MeasuredPeriod period)
    {
        (_items, _versions) = (items, versions);
        _raised = new(versions);
        _policies = new(connection);
        _runs = CompanyRuns.In(connection, period);
    }

    /// <summary>What happened on some accounts, in their order.</summary>
    public IReadOnlyList<ReplayFacts> Of(SqliteConnection connection, IReadOnlyList<BookAccount> accounts)
    {
        ArgumentNullException.ThrowIfNull(accounts);
        var ids = accounts.Select(a => a.Id).ToArray();
        var of = Json.Write(ids);
        var items = accounts
            .GroupBy(a => a.Currency, a => a.Id)
            .SelectMany(some => _items.Details(connection, some.Key, [.. some], alsoClosed: true, charges: false))
            .ToDictionary(a => a.Key, a => a.Value);
        var heads = connection
            .Query<(long Id, string? Charges, string? Plan)>(
                "SELECT a.id, a.late_charge_policy, a.reminder_plan FROM json_each(@of) x JOIN account a ON a.id = x.value",
                new { of }
            )
            .ToDictionary(a => a.Id);
        var charges = Charges(connection, of);
        var letters = Letters(connection, of, accounts.ToDictionary(a => a.Id, a => a.Currency));
        var orders = Orders(connection, of, accounts.ToDictionary(a => a.Id, a => a.Currency));
        // Few accounts have orders; only their checks need the record.
        var records = AccountStore.ById(connection, [.. orders.Select(o => o.Key)]).ToDictionary(a => a.Id);
        var inRun = connection
            .Query<(long Run, long Account)>(
                "SELECT p.run_id, p.account_id FROM run r CROSS JOIN run_posting p ON p.run_id = r.id "
                    + "WHERE r.id IN @Runs AND p.account_id IN (SELECT value FROM json_each(@of))",
                new { Runs = _runs.Select(r => r.Id), of }
            )
            .ToHashSet();
        return
        [
            .. accounts.Select(a =>
            {
                var record = records.GetValueOrDefault(a.Id)?.Profile;
                var missed = _runs.Where(r => !inRun.Contains((r.Id, a.Id))).ToArray();
                var ledger = _policies.With(new() { Book = a, Items = [] }, heads[a.Id].Charges, heads[a.Id].Plan);
                return new ReplayFacts
                {
                    Book = a,
                    Items = [.. items[a.Id].Select(Replayed)],
                    Charges =
                    [
                        .. charges[a.Id]
                            .Concat(
                                missed
                                    .Where(r => r.Kind == RunKind.LateCharges)
                                    .Select(r => new ChargeEvent(r.Entry, r.At, r.Date, r.Date, []))
                            )
                            .OrderBy(c => c.Entry),
                    ],
                    Letters =
                    [
                        .. letters[a.Id]
                            .Concat(
                                missed
                                    .Where(r => r.Kind == RunKind.Reminders)
                                    .Select(r => new LetterEvent(r.Entry + 1, r.At, r.Date, null, null, NoItems))
                            )
                            .OrderBy(l => l.Entry),
                    ],
                    Orders = [.. orders[a.Id]],
                    Policy = ledger.Policy,
                    Plan = ledger.Plan,
                    Responses = record?.Responses ?? new(),
                    TermsAgreedOn = record?.TermsAgreedOn,
                };
            }),
        ];
    }

    // What was brought in in part has no document that other terms could work on.
    private static ReplayItem Replayed(ItemDetail of) =>
        new(of.Item, of.Offer is { Shared: false } && of.Item.Opened == of.Amounts.Gross ? of.Offer : null);

    private ILookup<long, ChargeEvent> Charges(SqliteConnection connection, string accounts) =>
        _raised
            .Of(connection, accounts, alsoReversed: true)
            .GroupBy(r => (r.Account, r.Line.Entry))
            .Select(g =>
            {
                var first = g.First();
                return (
                    first.Account,
                    Event: new ChargeEvent(
                        first.Line.Entry,
                        Times.Read(first.PostedAt),
                        first.Line.Date,
                        g.Max(l => l.Line.Through),
                        [.. g.Select(l => (l.Item, l.Line))],
                        first.ReversedBy
                    )
                );
            })
            .ToLookup(c => c.Account, c => c.Event);

    private static readonly Dictionary<long, int> NoItems = [];

    private ILookup<long, LetterEvent> Letters(
        SqliteConnection connection,
        string accounts,
        Dictionary<long, Currency> currencies
    ) =>
        connection
            .Query<(
                long Account,
                string Number,
                string Date,
                long Level,
                long Fee,
                long Posted,
                long Replaces,
                long Plan,
                long? Before,
                string At,
                string Items
            )>(
                """
                SELECT r.account_id, r.number, r.date, r.level, r.fee, r.fee_posted, r.replaces, r.plan_id,
                    coalesce(min(r.entry_id, r.charge_entry_id), r.entry_id, r.charge_entry_id, 1 + (SELECT max(e.id)
                        FROM entry e WHERE e.account_id = r.account_id AND e.posted_at <= r.issued_at)), r.issued_at,
                    (SELECT json_group_array(json_array(ri.item_id, ri.moves, ri.level)) FROM reminder_item ri
                        WHERE ri.reminder_id = r.id)
                FROM json_each(@accounts) x CROSS JOIN reminder r ON r.account_id = x.value
                WHERE NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id) ORDER BY r.id
                """,
                new { accounts }
            )
            .ToLookup(
                r => r.Account,
                r =>
                {
                    var items = Json.Read<long[][]>(r.Items);
                    return new LetterEvent(
                        r.Before ?? 0,
                        Times.Read(r.At),
                        Columns.Date(r.Date),
                        new(
                            r.Number,
                            Columns.Date(r.Date),
                            (int)r.Level,
                            Money.FromMinor(r.Fee, currencies[r.Account]),
                            r.Posted == 1,
                            r.Replaces == 1,
                            [.. items.Where(i => i[1] == 1).Select(i => i[0])]
                        ),
                        _versions.Plan(connection, r.Plan),
                        items.ToDictionary(i => i[0], i => (int)i[2])
                    );
                }
            );

    private static ILookup<long, CheckedOrder> Orders(
        SqliteConnection connection,
        string accounts,
        Dictionary<long, Currency> currencies
    ) =>
        connection
            .Query<(
                long Account,
                long Id,
                string Number,
                string On,
                long Total,
                long Approved,
                string Findings,
                string Reason
            )>(
                """
                SELECT o.account_id, o.id, o.number, s.on_date, s.total, s.approved, s.findings, s.reason
                FROM json_each(@accounts) x CROSS JOIN sales_order o ON o.account_id = x.value
                    CROSS JOIN order_step s ON s.order_id = o.id
                    AND s.seq = (SELECT min(f.seq) FROM order_step f WHERE f.order_id = o.id)
                ORDER BY o.id
                """,
                new { accounts }
            )
            .ToLookup(
                o => o.Account,
                o => new CheckedOrder(
                    o.Id,
                    o.Number,
                    Columns.Date(o.On),
                    Money.FromMinor(o.Total, currencies[o.Account]),
                    Money.FromMinor(o.Total - o.Approved, currencies[o.Account]),
                    o.Reason,
                    [.. Json.Read<KeptFinding[]>(o.Findings).Select(f => f.Kind)]
                )
            );
}
