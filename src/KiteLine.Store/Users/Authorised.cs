using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Measures amounts against somebody's authority, which is kept in the base currency.</summary>
internal static class Authorised
{
    /// <exception cref="RefusedException">The amount is in another currency that has no rate of the day.</exception>
    internal static bool Covers(Tx tx, decimal? bound, Money amount, string field)
    {
        if (bound is null || amount.Minor <= 0) return true;
        var settings = CompanyStore.Settings(tx.Connection);
        var home = Currency.Of(settings.BaseCurrency);
        if (ReferenceEquals(amount.Currency, home)) return Authority.Covers(bound, amount.Amount);
        if (bound == 0) return false;
        return RateStore.Rates(tx.Connection, settings).Convert(amount, home, tx.BusinessDate()) is { } converted ? Authority.Covers(bound, converted.Amount)
            : throw new RefusedException(field, $"There is no rate of {amount.Currency.Code} for {Exactly.Day(tx.BusinessDate())} to measure your authority by; bring the rates up to date first.");
    }
}
