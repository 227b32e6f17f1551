using Dapper;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Something found by its beginning: an account or a document.</summary>
public sealed record Found
{
    public required string Kind { get; init; }

    public required string Title { get; init; }

    /// <summary>The code of the account it is, or is on.</summary>
    public required string Account { get; init; }

    public required string AccountName { get; init; }
}

/// <summary>Finds accounts and documents for the find-or-do box.</summary>
public static class FindStore
{
    /// <summary>Up to twelve accounts whose code or name holds the text, and documents whose number does.</summary>
    public static IReadOnlyList<Found> Find(SqliteConnection connection, string text)
    {
        var like =
            "%"
            + text.Replace("\\", "\\\\", StringComparison.Ordinal)
                .Replace("%", "\\%", StringComparison.Ordinal)
                .Replace("_", "\\_", StringComparison.Ordinal)
            + "%";
        var accounts = connection.Query<Found>(
            """
            SELECT 'account' kind, name title, code account, name account_name FROM account
            WHERE name LIKE @like ESCAPE '\' OR code LIKE @like ESCAPE '\'
                ORDER BY code LIKE @text || '%' DESC, name LIMIT 8
            """,
            new { like, text }
        );
        var documents = connection.Query<Found>(
            """
            SELECT 'document' kind, d.number title, a.code account, a.name account_name FROM document d
                JOIN account a ON a.id = d.account_id
            WHERE d.number LIKE @like ESCAPE '\' ORDER BY d.id DESC LIMIT 6
            """,
            new { like }
        );
        return [.. accounts, .. documents];
    }
}
