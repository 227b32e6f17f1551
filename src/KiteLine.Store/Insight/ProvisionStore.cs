using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Keeps provision matrices by the days from which they hold.</summary>
public static class ProvisionStore
{
    /// <summary>A company has at most so many.</summary>
    public const int Most = 500;

    private sealed record Row
    {
        public long Id { get; init; }
        public DateOnly FromDate { get; init; }
        public string UpTo { get; init; } = "";
        public string Rates { get; init; } = "";
        public string Reason { get; init; } = "";
        public string MadeBy { get; init; } = "";
        public string MadeAt { get; init; } = "";
    }

    /// <summary>All of them, in the order in which they were made.</summary>
    public static IReadOnlyList<StoredMatrix> All(SqliteConnection connection) =>
        [
            .. connection
                .Query<Row>(
                    "SELECT id, from_date, up_to, rates, reason, made_by, made_at FROM provision_matrix ORDER BY id"
                )
                .Select(r => new StoredMatrix(
                    r.Id,
                    new(r.FromDate, Json.Read<int[]>(r.UpTo), Json.Read<decimal[]>(r.Rates)),
                    r.Reason,
                    r.MadeBy,
                    r.MadeAt
                )),
        ];

    /// <summary>The one that holds on a day, or null.</summary>
    public static ProvisionMatrix? On(SqliteConnection connection, DateOnly day) =>
        ProvisionMatrix.On(All(connection).Select(m => m.Matrix), day);

    /// <summary>Keeps a further one; what holds on earlier days stays.</summary>
    /// <exception cref="RefusedException">Something is wrong with it, no reason is given, or there are too many.</exception>
    public static StoredMatrix Add(Tx tx, ProvisionMatrix matrix, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(matrix);
        RefusedException.ThrowIfAny(matrix.Problems());
        Reason.Needed(reason);
        if (tx.Connection.ExecuteScalar<long>("SELECT count(*) FROM provision_matrix") >= Most)
            throw new RefusedException("from", $"There are {Most} matrices already, as many as a company keeps.");
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO provision_matrix (from_date, up_to, rates, reason, made_by, made_at)
            VALUES (@From, @UpTo, @Rates, @Reason, @Who, @Now) RETURNING id
            """,
            new
            {
                matrix.From,
                UpTo = Json.Write(matrix.UpTo),
                Rates = Json.Write(matrix.Rates),
                Reason = reason.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            "provision",
            "matrix",
            new
            {
                from = matrix.From,
                upTo = matrix.UpTo,
                rates = matrix.Rates,
            },
            reason
        );
        return All(tx.Connection).Single(m => m.Id == id);
    }
}
