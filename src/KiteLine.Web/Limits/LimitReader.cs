using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reads what limits are suggested, and the days of a course.</summary>
internal static class LimitReader
{
    internal static IReadOnlyList<SuggestedLimit> Suggestions(SqliteConnection connection, Account account, Desk desk)
    {
        var settings = CompanyStore.Settings(connection);
        var today = desk.Today(settings);
        var rates = RateStore.Rates(connection, settings);
        var terms = PolicyStore
            .Find<TermsDefinition>(connection, PolicyKind.Terms, account.Terms)
            ?.Definition.ToTerms();
        var report = AgencyReports.Latest(connection, account);
        var book = BookLoader.Load(connection, [account.Id])[0];
        var sold = Sales.Of(
            book,
            new(SuggestedLimit.SalesFrom(today), today),
            AccountHistoryStore.SoldBefore(connection, book, desk.Items)
        );
        return
        [
            SuggestedLimit.BySales(
                Money.FromMinor(sold, account.Currency),
                SuggestedLimit.Months,
                SuggestedLimit.TermsDays(terms, today),
                DaysLate.Of(book, today),
                settings.Rounding
            ),
            SuggestedLimit.ByAgency(report, account.Currency, m => rates.Convert(m, account.Currency, today)),
            SuggestedLimit.ByNetWorth(
                report?.NetWorth,
                settings.NetWorthShare,
                account.Currency,
                m => rates.Convert(m, account.Currency, today),
                settings.Rounding
            ),
        ];
    }

    internal static (DateOnly First, DateOnly Last) Span(string? from, string? to, Desk desk)
    {
        var fields = new Fields();
        var last = fields.OptionalDate("to", to) ?? desk.Today();
        var first = fields.OptionalDate("from", from) ?? last.AddMonths(-18);
        if (first > last || first < last.AddYears(-10))
            fields.Bad("from", "Give a first day before the last, at most ten years earlier.");
        fields.ThrowIfAny();
        return (first, last);
    }

    // At most some four hundred points, the last day always one of them.
    /// <summary>The days of a course, evenly spread, the last one always among them.</summary>
    /// <param name="most">How many points the picture can show.</param>
    internal static IEnumerable<DateOnly> Days(DateOnly first, DateOnly last, int most = 200)
    {
        var step = Math.Max(1, (int)Math.Ceiling((last.DayNumber - first.DayNumber) / (double)most));
        for (var day = first; day < last; day = day.AddDays(step))
            yield return day;
        yield return last;
    }
}
