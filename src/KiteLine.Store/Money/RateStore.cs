using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Rates of exchange by date.</summary>
public static class RateStore
{
    private sealed record Row(
        string Currency,
        string OnDate,
        string Rate,
        string RecordedOn,
        string Source,
        string Identity
    )
    {
        internal ExchangeRate ToRate() =>
            new(
                Core.Currency.Of(Currency),
                Columns.Date(OnDate),
                decimal.Parse(Rate, CultureInfo.InvariantCulture),
                Columns.Date(RecordedOn),
                Source
            )
            {
                By = Identity,
            };
    }

    private const string Select = "SELECT currency, on_date, rate, recorded_on, source, identity FROM exchange_rate ";

    private static LastRead? _last;

    private sealed record LastRead(string Mark, ExchangeRates Rates);

    /// <summary>All rates, ready to convert with.</summary>
    public static ExchangeRates Rates(SqliteConnection connection, CompanySettings settings)
    {
        ArgumentNullException.ThrowIfNull(connection);
        ArgumentNullException.ThrowIfNull(settings);
        // Every computation asks for them and they change once a day, so they are read again only when the last row is
        // another.
        var row = connection.ExecuteScalar<string>(
            "SELECT id || ' ' || currency || ' ' || on_date || ' ' || rate || ' ' || made_at FROM exchange_rate "
                + "ORDER BY id DESC LIMIT 1"
        );
        var mark = $"{connection.DataSource} {settings.BaseCurrency} {settings.OldestRate} {settings.Rounding} {row}";
        if (_last is { } last && last.Mark == mark)
            return last.Rates;
        var rates = new ExchangeRates(
            Currency.Of(settings.BaseCurrency),
            connection.Query<Row>(Select + "ORDER BY id").Select(r => r.ToRate()),
            settings.OldestRate,
            settings.Rounding
        );
        _last = new(mark, rates);
        return rates;
    }

    /// <summary>The latest rates, newest day first.</summary>
    public static IReadOnlyList<ExchangeRate> Latest(SqliteConnection connection, int take) =>
        [
            .. connection
                .Query<Row>(Select + "ORDER BY on_date DESC, currency, id DESC LIMIT @take", new { take })
                .Select(r => r.ToRate()),
        ];

    /// <summary>
    /// Takes down rates; one that is known already, and the same, is passed over. Gives how many were new.
    /// </summary>
    /// <param name="published">Whether a service published them; else the caller set them.</param>
    /// <exception cref="RefusedException">A rate is not above zero, of the base currency, dated after the business date, or
    /// so far from the former one that a manager has to set it.</exception>
    public static int Add(Tx tx, IReadOnlyList<ExchangeRate> rates, bool published = false)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(rates);
        var settings = CompanyStore.Settings(tx.Connection);
        var today = tx.BusinessDate();
        var before = Rates(tx.Connection, settings);
        var by = published ? "" : tx.Actor.Identity;
        var added = 0;
        for (var i = 0; i < rates.Count; i++)
        {
            var rate = rates[i];
            ExchangeRates.RefuseUnlessSound(rate, $"rates[{i}]", settings.BaseCurrency, today);
            var text = Exactly.Plain(rate.Rate);
            var known = tx.Connection.ExecuteScalar<string>(
                "SELECT rate FROM exchange_rate WHERE currency = @Code AND on_date = @On ORDER BY id DESC LIMIT 1",
                new { rate.Currency.Code, rate.On }
            );
            if (known == text)
                continue;
            if (!published)
                RateMoves.RefuseUnlessNear(
                    rate,
                    before.Former(rate with { By = by }, today),
                    $"rates[{i}]",
                    tx.Actor.Role
                );
            tx.Connection.Execute(
                "INSERT INTO exchange_rate (currency, on_date, rate, source, recorded_on, identity, made_by, made_at) "
                    + "VALUES (@Code, @On, @text, @Source, @today, @by, @Who, @Now)",
                new
                {
                    rate.Currency.Code,
                    rate.On,
                    text,
                    rate.Source,
                    today,
                    by,
                    tx.Who,
                    tx.Now,
                }
            );
            added++;
        }

        if (added == 0)
            return 0;
        Audit.Record(
            tx,
            "company",
            "rates",
            new
            {
                rates = added,
                from = rates.Min(r => r.On),
                to = rates.Max(r => r.On),
                source = rates[0].Source,
            }
        );
        tx.TouchGroups();
        return added;
    }
}
