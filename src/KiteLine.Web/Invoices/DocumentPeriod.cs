using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>A period of an account's history: twelve months up to the business date unless it is given.</summary>
internal sealed record DocumentPeriod(Account Account, DateOnly From, DateOnly To, int Page, int Size)
{
    internal static DocumentPeriod Read(
        SqliteConnection connection,
        string code,
        string? from,
        string? to,
        DateOnly today,
        int? page = null,
        int? pageSize = null
    )
    {
        var account = AccountStore.Get(connection, code);
        var fields = new Fields();
        var last = fields.OptionalDate("to", to) ?? today;
        var first = fields.OptionalDate("from", from) ?? last.AddYears(-1).AddDays(1);
        if (first > last)
            fields.Bad("from", "The period begins on its last day or before.");
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return new(account, first, last, at, size);
    }

    internal int Skip => (Page - 1) * Size;

    internal Money Amount(long minor) => Money.FromMinor(minor, Account.Currency);
}
