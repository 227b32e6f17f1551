using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>What stands on everything that is printed: the company's paper and the customer it goes to.</summary>
public static class Paper
{
    /// <summary>The company's paper as it is now.</summary>
    public static Letterhead Of(SqliteConnection connection)
    {
        var settings = CompanyStore.Settings(connection);
        return new(settings.Name, settings.Address, settings.LetterFoot)
        {
            Picture = LetterheadStore.Picture(connection),
        };
    }

    /// <summary>The customer of an account.</summary>
    public static Addressee To(Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return new(
            account.Code,
            account.Profile.LegalName is { Length: > 0 } legal ? legal : account.Name,
            account.Address.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
        );
    }
}
