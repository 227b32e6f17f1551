using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// The ledgers of many accounts: items and movements out of the book in memory, and what charges and reminders made of
/// them read for all of these accounts in one go. <see cref="AccountLedgers"/> reads the same of one account.
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

    internal RunLedgers(
        SqliteConnection connection,
        RunPolicies policies,
        RaisedLines raised,
        IReadOnlyList<BookAccount> accounts
    )
    {
        _policies = policies;
        var ids = Json.Write(accounts.Select(a => a.Id));
        using (
            var heads = Prepared.Kept(
                connection,
                "SELECT a.id, a.late_charge_policy, a.reminder_plan FROM json_each(?1) x JOIN account a ON a.id = x.value"
            )
        )
        {
            heads.Bind(1, ids);
            while (heads.Next())
                _heads.Add(heads.Long(0), (heads.OptionalText(1), heads.OptionalText(2)));
        }

        _beside = Reminded(connection, ids);
        Raised(raised.Of(connection, ids));
        _letters = Letters(connection, ids);
    }

    /// <summary>Whether an account must be read from the books after all.</summary>
    internal bool MustBeRead(BookAccount account) => account.FormerDues.Count > 0 || _fromBooks.Contains(account.Id);

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

    private static Dictionary<long, ItemBeside> Reminded(SqliteConnection connection, string ids)
    {
        var beside = new Dictionary<long, ItemBeside>();
        using var query = Prepared.Kept(
            connection,
            """
            SELECT i.id, i.reminder_level, i.reminders, i.reminded_on FROM json_each(?1) x
                CROSS JOIN item i INDEXED BY item_reminded ON i.account_id = x.value WHERE i.reminders > 0
            """
        );
        query.Bind(1, ids);
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

    private void Raised(List<RaisedLines.OnItem> lines)
    {
        foreach (var of in lines.GroupBy(l => l.Item))
            _beside[of.Key] = (_beside.GetValueOrDefault(of.Key) ?? ItemBeside.None) with
            {
                Raised = [.. of.Select(l => l.Line)],
            };
        foreach (var line in lines)
            if (line.Line.Policy is null || line.Line.AsRaised)
                _fromBooks.Add(line.Account);
    }

    // Only fees that were shown and not posted matter to what is asked for next.
    private static ILookup<long, SentReminder> Letters(SqliteConnection connection, string ids) =>
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
                """
                SELECT r.account_id, a.currency, r.id, r.number, r.date, r.level, r.fee, r.replaces,
                    (SELECT json_group_array(ri.item_id) FROM reminder_item ri WHERE ri.reminder_id = r.id AND ri.moves)
                FROM json_each(@ids) x CROSS JOIN reminder r ON r.account_id = x.value JOIN account a ON a.id = r.account_id
                WHERE r.fee > 0 AND NOT r.fee_posted
                    AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id) ORDER BY r.id
                """,
                new { ids }
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
