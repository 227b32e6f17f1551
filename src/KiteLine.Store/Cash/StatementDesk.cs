using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Takes bank statements in, each whole or not at all.</summary>
public static class StatementDesk
{
    /// <summary>Why a statement is refused; empty where it can be stored.</summary>
    /// <param name="shownOnly">An own bank account that is not known does not matter for what is only shown.</param>
    public static IReadOnlyList<string> Problems(SqliteConnection connection, BankStatement statement, bool shownOnly)
    {
        ArgumentNullException.ThrowIfNull(statement);
        var own = OwnAccountStore.Find(connection, statement.Account);
        return
        [
            .. statement.Problems(),
            .. own is not null ? StatementStore.Problems(connection, own, statement)
            : shownOnly ? []
            : [$"{statement.Account} is no bank account of the company; add it first."],
        ];
    }

    /// <summary>Stores a statement, unless something speaks against it at this moment.</summary>
    /// <returns>Why it was refused, or the identifiers of its entries.</returns>
    public static (IReadOnlyList<string> Problems, IReadOnlyList<long> Entries) Store(Tx tx, BankStatement statement)
    {
        ArgumentNullException.ThrowIfNull(tx);
        var problems = Problems(tx.Connection, statement, shownOnly: false);
        return problems.Count > 0
            ? (problems, [])
            : (problems, StatementStore.Add(tx, OwnAccountStore.Find(tx.Connection, statement.Account)!, statement));
    }
}
