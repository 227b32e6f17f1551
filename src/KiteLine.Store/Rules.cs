using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reads the rules that computations go by from the books.</summary>
public static class Rules
{
    /// <summary>The rules of a business date.</summary>
    public static BooksRules Of(SqliteConnection connection, DateOnly today)
    {
        var settings = CompanyStore.Settings(connection);
        return BooksRules.Of(
            settings,
            CalendarInForce.Of(connection, settings).Calendar,
            RateStore.Rates(connection, settings),
            today
        );
    }

    /// <summary>How positions of a day are looked at.</summary>
    public static PositionRules Positions(SqliteConnection connection, DateOnly day)
    {
        var settings = CompanyStore.Settings(connection);
        return PositionRules.Of(settings, CalendarInForce.Of(connection, settings).Calendar, day);
    }

    /// <summary>
    /// Where an account stands on a day with what the books hold, the changes of a running transaction included.
    /// </summary>
    public static AccountPosition Position(SqliteConnection connection, Account account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        return AccountPosition.On(BookLoader.Load(connection, [account.Id])[0], day, Positions(connection, day));
    }
}
