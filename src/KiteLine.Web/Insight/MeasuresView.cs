using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Currency">The base currency, in which all amounts are.</param>
/// <param name="DiscountOffered">Of items whose last deadline lies in the period.</param>
/// <param name="DiscountUsed">What was given in time on them.</param>
/// <param name="DiscountAnnualCost">What they cost a year, as a fraction of the money that came before its due date.</param>
/// <param name="WithoutRate">Currencies whose accounts are left out.</param>
internal sealed record MeasuresView(
    DateOnly From,
    DateOnly To,
    string Currency,
    int Accounts,
    MoneySum ReceivablesStart,
    MoneySum ReceivablesEnd,
    MoneySum NotDueEnd,
    MoneySum Sales,
    string? Dso,
    string? DsoCountBack,
    string? DsoBestPossible,
    string? AverageDaysDelinquent,
    string? CollectionEffectiveness,
    string? DaysToPay,
    string? DaysLate,
    int DiscountsOffered,
    int DiscountsUsed,
    MoneySum DiscountOffered,
    MoneySum DiscountUsed,
    string? DiscountUptake,
    string? DiscountAnnualCost,
    LeakageSumsView Leakage,
    MoneySum ChargesRaised,
    MoneySum ChargesPaid,
    MoneySum ChargesReversed,
    MoneySum ChargesOpen,
    IReadOnlyList<string> WithoutRate,
    IReadOnlyList<Working> Workings
);
