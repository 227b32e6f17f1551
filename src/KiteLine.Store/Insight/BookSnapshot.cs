using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The whole book as it was after one commit. It never changes.</summary>
/// <param name="Changes">The number of the commit.</param>
/// <param name="Settings">The company's settings at that time.</param>
/// <param name="Accounts">All accounts, by code.</param>
public sealed record BookSnapshot(long Changes, CompanySettings Settings, BookAccount[] Accounts)
{
    /// <summary>The same book with some accounts replaced or added.</summary>
    internal BookSnapshot With(long changes, IEnumerable<BookAccount> changed)
    {
        var accounts = (BookAccount[])Accounts.Clone();
        var added = new List<BookAccount>();
        foreach (var account in changed)
        {
            var at = Array.BinarySearch(accounts, account, ByCode);
            if (at >= 0) accounts[at] = account;
            else added.Add(account);
        }

        if (added.Count > 0) accounts = [.. accounts.Concat(added).OrderBy(a => a, ByCode)];
        return this with { Changes = changes, Accounts = accounts };
    }

    // The order of the code column: ASCII letters without regard to case, like SQLite's NOCASE.
    private static readonly Comparer<BookAccount> ByCode =
        Comparer<BookAccount>.Create((a, b) => StringComparer.OrdinalIgnoreCase.Compare(a.Code, b.Code));

    internal static BookAccount[] Sorted(BookAccount[] accounts)
    {
        Array.Sort(accounts, ByCode);
        return accounts;
    }
}
