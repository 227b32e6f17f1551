using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads charge documents.</summary>
public static class ChargeStore
{
    /// <summary>The charge document of a posting.</summary>
    /// <exception cref="NotThereException">The posting raised none.</exception>
    public static StoredCharge Get(SqliteConnection connection, long entry, VersionCache versions)
    {
        ArgumentNullException.ThrowIfNull(versions);
        var (id, accountId, number, date, net, tax, reversed) =
            connection.QuerySingleOrDefault<(
                long Id,
                long Account,
                string Number,
                string Date,
                long Net,
                long Tax,
                long Reversed
            )?>(
                """
                SELECT d.id, d.account_id, d.number, d.date, d.net, d.tax,
                    EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
                FROM entry e JOIN document d ON d.account_id = e.account_id AND d.entry_id = e.id
                WHERE e.id = @entry AND e.kind = @LateCharge
                """,
                new { entry, PostingKind.LateCharge }
            ) ?? throw new NotThereException("late charge", $"{entry}");
        var account = AccountStore.ById(connection, accountId);
        var lines = connection
            .Query<(
                string Document,
                string Due,
                string? Former,
                string Through,
                long Amount,
                long Correction,
                long? Policy
            )>(
                $"""
                SELECT CASE WHEN i.instalments > 1 THEN d.number || '/' || i.instalment ELSE d.number END,
                    {DueChanges.At("@entry")} due, c.former_through, c.through, c.amount, c.correction, c.policy_id
                FROM charge_line c JOIN item i ON i.id = c.item_id JOIN document d ON d.id = i.document_id
                WHERE c.entry_id = @entry ORDER BY due, i.id
                """,
                new { entry }
            )
            .AsList();
        return new(
            id,
            account,
            number,
            Columns.Date(date),
            Money.FromMinor(net, account.Currency),
            Money.FromMinor(tax, account.Currency),
            [
                .. lines.Select(l => new PrintedChargeLine(
                    l.Document,
                    Columns.Date(l.Due),
                    (Columns.OptionalDate(l.Former) ?? Columns.Date(l.Due)).AddDays(1),
                    Columns.Date(l.Through),
                    Money.FromMinor(l.Amount, account.Currency),
                    Money.FromMinor(l.Correction, account.Currency)
                )),
            ],
            lines.FirstOrDefault().Policy is { } policy ? versions.LateCharge(connection, policy) : null,
            reversed == 1
        );
    }
}
