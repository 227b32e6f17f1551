using KiteLine.Core;

namespace KiteLine.Web;

internal sealed record SegmentLine(
    DateOnly From,
    DateOnly To,
    int Days,
    string Balance,
    string AnnualRate,
    string Fraction,
    string Amount
)
{
    internal static SegmentLine Of(ChargeSegment s, Currency currency) =>
        new(
            s.From,
            s.To,
            s.Days,
            Exactly.Figure(Math.Round(s.Balance, currency.Decimals), currency.Decimals, currency.Decimals),
            Exactly.Plain(s.AnnualRate),
            Exactly.Figure(s.Fraction, 12, 20),
            Exactly.Figure(s.Amount, 6, 12)
        );
}
