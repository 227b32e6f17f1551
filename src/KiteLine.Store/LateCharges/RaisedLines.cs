using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads what late charges that stand raised on items.</summary>
/// <param name="versions">Policies by version.</param>
internal sealed class RaisedLines(VersionCache versions)
{
    /// <summary>What was raised on an item of an account, when, and which posting took it back.</summary>
    internal readonly record struct OnItem(long Account, long Item, RaisedLine Line, string PostedAt, long? ReversedBy);

    /// <summary>What was raised on the items of some accounts, in the order in which it was raised.</summary>
    /// <param name="accounts">Identifiers of the accounts, as a JSON list.</param>
    /// <param name="alsoReversed">Also what was taken back.</param>
    internal List<OnItem> Of(SqliteConnection connection, string accounts, bool alsoReversed = false)
    {
        var raised = new List<OnItem>();
        using var lines = Prepared.Kept(
            connection,
            """
            SELECT e.account_id, c.item_id, c.entry_id, e.posting_date, c.through, c.amount, e.currency, c.policy_id,
                c.as_raised, c.cut_to, e.posted_at, r.id
            FROM json_each(?1) x CROSS JOIN entry e ON e.account_id = x.value AND e.kind = ?2
                CROSS JOIN charge_line c ON c.entry_id = e.id LEFT JOIN entry r ON r.reverses = e.id
            WHERE ?3 OR r.id IS NULL ORDER BY e.id, c.item_id
            """
        );
        lines.Bind(1, accounts);
        lines.Bind(2, (long)PostingKind.LateCharge);
        lines.Bind(3, alsoReversed ? 1 : 0);
        while (lines.Next())
        {
            var currency = Currency.Of(lines.Text(6));
            raised.Add(
                new(
                    lines.Long(0),
                    lines.Long(1),
                    new(
                        lines.Long(2),
                        lines.Date(3),
                        lines.Date(4),
                        Money.FromMinor(lines.Long(5), currency),
                        lines.OptionalLong(7) is { } policy ? versions.LateCharge(connection, policy) : null,
                        lines.Long(8) == 1,
                        lines.OptionalLong(9) is { } cut ? Money.FromMinor(cut, currency) : null
                    ),
                    lines.Text(10),
                    lines.OptionalLong(11)
                )
            );
        }

        return raised;
    }
}
