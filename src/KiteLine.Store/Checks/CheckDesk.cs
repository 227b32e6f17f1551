using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Puts together what a credit check judges: from the books within a transaction, or from a copy of them in memory.
/// </summary>
public static class CheckDesk
{
    /// <summary>Checks with what stands in the books, the changes of the running transaction included.</summary>
    /// <param name="asked">By how much the new document would raise the exposure.</param>
    public static CreditCheck Check(SqliteConnection connection, Account account, Money asked, DateOnly today) =>
        new CheckBook(connection, today).Check(account, asked);

    /// <summary>Checks with a copy of the books; the account's record is the one given.</summary>
    public static CreditCheck Check(BookSnapshot book, Account account, Money asked, DateOnly today)
    {
        ArgumentNullException.ThrowIfNull(book);
        ArgumentNullException.ThrowIfNull(account);
        var held = book.Find(account.Code) ?? throw new NotThereException("account", account.Code);
        var groups = BookGroup
            .Above(account.GroupName, book.Groups)
            .Where(g => LimitChange.On(g.Limits, today) is not null)
            .Select(g => book.PositionOf(g, today))
            .ToArray();
        return Of(
            account,
            AccountPosition.On(held, today, book.PositionRules(today)),
            asked,
            groups,
            book.Rates,
            book.Calendar
        );
    }

    internal static CreditCheck Of(
        Account account,
        AccountPosition position,
        Money asked,
        IReadOnlyList<GroupPosition> groups,
        ExchangeRates rates,
        BusinessCalendar calendar
    ) =>
        CreditCheck.Of(
            new()
            {
                Position = position,
                Asked = asked,
                Responses = account.Profile.Responses,
                TermsAgreedOn = account.Profile.TermsAgreedOn,
                Groups = groups,
                Rates = rates,
                Calendar = calendar,
            }
        );
}
