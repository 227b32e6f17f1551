using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reports of credit agencies, kept as they came.</summary>
public static class AgencyReports
{
    /// <summary>The latest report on a customer, or null.</summary>
    public static AgencyReport? Latest(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        var row = connection.QueryFirstOrDefault<(
            string Agency,
            string On,
            string Rating,
            string Currency,
            long Recommended,
            long? NetWorth
        )?>(
            "SELECT agency, on_date, rating, currency, recommended, net_worth FROM agency_report WHERE account_id = "
                + "@Id ORDER BY id DESC LIMIT 1",
            new { account.Id }
        );
        if (row is not { } r)
            return null;
        var currency = Currency.Of(r.Currency);
        return new(
            r.Agency,
            Columns.Date(r.On),
            r.Rating,
            Money.FromMinor(r.Recommended, currency),
            r.NetWorth is { } worth ? Money.FromMinor(worth, currency) : null
        );
    }

    /// <summary>Keeps a report beside the earlier ones of the account.</summary>
    public static void Keep(Tx tx, Account account, AgencyReport report)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(report);
        tx.Connection.Execute(
            "INSERT INTO agency_report (account_id, agency, on_date, rating, currency, recommended, net_worth, "
                + "made_by, made_at) VALUES (@Id, @Agency, @On, @Rating, @Code, @Minor, @worth, @Who, @Now)",
            new
            {
                account.Id,
                report.Agency,
                report.On,
                report.Rating,
                report.Recommended.Currency.Code,
                report.Recommended.Minor,
                worth = report.NetWorth?.Minor,
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "agency report",
            new
            {
                report.Agency,
                report.Rating,
                recommended = report.Recommended.ToString(),
                netWorth = report.NetWorth?.ToString(),
            }
        );
    }
}
