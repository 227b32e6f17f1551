using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// The ledgers of very many accounts: items and movements out of the book in memory, and what charges and reminders made of
/// them read in one go. <see cref="AccountLedgers"/> reads the same of one account.
/// </summary>
internal sealed class RunLedgers
{
    private readonly RunPolicies _policies;
    private readonly Dictionary<long, (string? Charges, string? Plan)> _heads = [];
    private readonly Dictionary<long, ItemBeside> _beside;
    private readonly ILookup<long, SentReminder> _letters;

    // Charges of these were raised by earlier versions of the program: what moved since is told by which posting made it,
    // which is not in memory.
    private readonly HashSet<long> _fromBooks = [];

    // Names the few queries that read tables from end to end for whoever looks at what is slow.
    private const string WholeBook = " /* the whole book */";

    internal RunLedgers(SqliteConnection connection, VersionCache versions)
    {
        _policies = new(connection);
        using (
            var heads = new Prepared(
                connection,
                "SELECT id, late_charge_policy, reminder_plan FROM account" + WholeBook
            )
        )
            while (heads.Next())
                _heads.Add(heads.Long(0), (heads.OptionalText(1), heads.OptionalText(2)));
        _beside = Reminded(connection);
        Raised(connection, versions);
        _letters = Letters(connection);
    }

    /// <summary>Whether an account must be read from the books after all.</summary>
    internal bool MustBeRead(BookAccount account) => _fromBooks.Contains(account.Id);

    /// <summary>The ledger of an account; several may be asked for at once.</summary>
    internal AccountLedger Of(BookAccount account)
    {
        var (charges, plan) = _heads.GetValueOrDefault(account.Id);
        return _policies.With(
            new()
            {
                Book = account,
                Items = BookItems.Of(account, _beside),
                Letters = [.. _letters[account.Id]],
            },
            charges,
            plan
        );
    }

    private static Dictionary<long, ItemBeside> Reminded(SqliteConnection connection)
    {
        var beside = new Dictionary<long, ItemBeside>();
        using var query = new Prepared(
            connection,
            "SELECT id, reminder_level, reminders, reminded_on FROM item INDEXED BY item_reminded WHERE reminders > 0"
        );
        while (query.Next())
            beside.Add(
                query.Long(0),
                ItemBeside.None with
                {
                    Level = (int)query.Long(1),
                    Reminders = (int)query.Long(2),
                    RemindedOn = query.OptionalDate(3),
                }
            );
        return beside;
    }

    private void Raised(SqliteConnection connection, VersionCache versions)
    {
        var charges = new Dictionary<long, (DateOnly Date, Currency Currency, long Account)>();
        using (
            var entries = new Prepared(
                connection,
                "SELECT e.id, e.posting_date, e.currency, e.account_id FROM entry e WHERE e.kind = ?1 "
                    + "AND e.account_id IS NOT NULL AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)"
            )
        )
        {
            entries.Bind(1, (long)PostingKind.LateCharge);
            while (entries.Next())
                charges.Add(entries.Long(0), (entries.Date(1), Currency.Of(entries.Text(2)), entries.Long(3)));
        }

        if (charges.Count == 0)
            return;
        var policies = new Dictionary<long, LateChargePolicy>();
        var raised = new Dictionary<long, List<RaisedLine>>();
        using var lines = new Prepared(
            connection,
            "SELECT entry_id, item_id, through, amount, policy_id, as_raised, cut_to FROM charge_line"
                + WholeBook
                + " ORDER BY entry_id, item_id"
        );
        while (lines.Next())
        {
            if (!charges.TryGetValue(lines.Long(0), out var charge))
                continue;
            LateChargePolicy? policy = null;
            if (lines.OptionalLong(4) is { } id && !policies.TryGetValue(id, out policy))
                policies.Add(id, policy = versions.LateCharge(connection, id));
            if (policy is null || lines.Long(5) == 1)
                _fromBooks.Add(charge.Account);
            if (!raised.TryGetValue(lines.Long(1), out var of))
                raised.Add(lines.Long(1), of = new(1));
            of.Add(
                new(
                    lines.Long(0),
                    charge.Date,
                    lines.Date(2),
                    Money.FromMinor(lines.Long(3), charge.Currency),
                    policy,
                    lines.Long(5) == 1,
                    lines.OptionalLong(6) is { } cut ? Money.FromMinor(cut, charge.Currency) : null
                )
            );
        }

        foreach (var (item, of) in raised)
            _beside[item] = (_beside.GetValueOrDefault(item) ?? ItemBeside.None) with { Raised = of };
    }

    // Only fees that were shown and not posted matter to what is asked for next.
    private static ILookup<long, SentReminder> Letters(SqliteConnection connection) =>
        connection
            .Query<(
                long Account,
                string Currency,
                long Id,
                string Number,
                string Date,
                long Level,
                long Fee,
                long Replaces,
                string Items
            )>(
                $"""
                SELECT r.account_id, a.currency, r.id, r.number, r.date, r.level, r.fee, r.replaces,
                    (SELECT json_group_array(ri.item_id) FROM reminder_item ri WHERE ri.reminder_id = r.id AND ri.moves)
                FROM reminder r{WholeBook} JOIN account a ON a.id = r.account_id
                WHERE r.fee > 0 AND NOT r.fee_posted
                    AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id) ORDER BY r.id
                """
            )
            .ToLookup(
                r => r.Account,
                r => new SentReminder(
                    r.Number,
                    Columns.Date(r.Date),
                    (int)r.Level,
                    Money.FromMinor(r.Fee, Currency.Of(r.Currency)),
                    false,
                    r.Replaces == 1,
                    Json.Read<long[]>(r.Items)
                )
            );
}
