using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Points out accounts that a customer being typed may have already.</summary>
public static class DuplicateFinder
{
    /// <summary>Accounts with the same e-mail address or the same identifier, whatever its spaces.</summary>
    public static IReadOnlyList<LikelyDuplicate> Find(SqliteConnection connection, string email, string identifier)
    {
        var found = new List<LikelyDuplicate>();
        var number = TaxIdentifier.Plain(identifier);
        if (number.Length > 3)
            found.AddRange(
                connection
                    .Query<(string Code, string Name)>(
                        "SELECT a.code, a.name FROM account_identifier i JOIN account a ON a.id = i.account_id WHERE "
                            + "i.number = @number LIMIT 3",
                        new { number }
                    )
                    .Select(a => new LikelyDuplicate(a.Code, a.Name, "the same tax identifier"))
            );
        if (email.Trim() is { Length: > 3 } address)
            found.AddRange(
                connection
                    .Query<(string Code, string Name)>(
                        "SELECT code, name FROM account WHERE email <> '' AND email = @address COLLATE NOCASE LIMIT 3",
                        new { address }
                    )
                    .Select(a => new LikelyDuplicate(a.Code, a.Name, "the same e-mail address"))
            );
        return found;
    }
}
