using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Limits and uplifts as they lie in the books, of accounts and of groups alike.</summary>
internal static class LimitRows
{
    internal sealed record LimitRow(
        long Id,
        string FromDate,
        long Amount,
        string RecordedOn,
        long Source,
        long Insured,
        string? ReviewOn
    )
    {
        internal LimitChange ToChange(Currency currency) =>
            new(
                Columns.Date(FromDate),
                Money.FromMinor(Amount, currency),
                Columns.Date(RecordedOn),
                (LimitSource)Source,
                Insured,
                Columns.OptionalDate(ReviewOn)
            );
    }

    internal sealed record UpliftRow
    {
        public long Id { get; init; }
        public string FromDate { get; init; } = "";
        public string UntilDate { get; init; } = "";
        public long Amount { get; init; }
        public string RecordedOn { get; init; } = "";
        public string? EndedOn { get; init; }

        internal Uplift ToUplift(Currency currency) =>
            new(
                Columns.Date(FromDate),
                Columns.Date(UntilDate),
                Money.FromMinor(Amount, currency),
                Columns.Date(RecordedOn),
                Columns.OptionalDate(EndedOn)
            );
    }

    internal const string Limits =
        "SELECT {0} AS id, from_date, amount, recorded_on, source, insured, review_on FROM limit_change";
    internal const string Uplifts =
        "SELECT {0} AS id, from_date, until_date, amount, recorded_on, (SELECT e.on_date FROM uplift_end e WHERE "
        + "e.uplift_id = uplift.id) ended_on FROM uplift";

    /// <summary>Limits and uplifts of one account or group, in the order in which they were recorded.</summary>
    internal static (IReadOnlyList<LimitChange> Limits, IReadOnlyList<Uplift> Uplifts) LimitsOf(
        SqliteConnection connection,
        LimitHolder holder
    )
    {
        var mine = $" WHERE {holder.Mine} ORDER BY id";
        var who = new { holder.AccountId, holder.GroupId };
        return (
            [.. connection.Query<LimitRow>(Of(Limits, "id") + mine, who).Select(r => r.ToChange(holder.Currency))],
            [.. connection.Query<UpliftRow>(Of(Uplifts, "id") + mine, who).Select(r => r.ToUplift(holder.Currency))]
        );
    }

    /// <summary>The query with the column whose value tells the holder.</summary>
    internal static string Of(string sql, string column) => sql.Replace("{0}", column, StringComparison.Ordinal);
}
