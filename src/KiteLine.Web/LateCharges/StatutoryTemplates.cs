using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// Statutory interest as examples to start from. The rates themselves are the company's: each template names a
/// reference rate that has to be kept up to date. Values from memory of the sources named.
/// </summary>
internal static class StatutoryTemplates
{
    internal static IReadOnlyList<LateChargeTemplate> All { get; } =
    [
        new(
            "Statutory interest by the EU directive",
            "Directive 2011/7/EU, articles 2, 3 and 6: reference rate of each half-year + at least 8 points, at least 40 once",
            LateChargePolicyShape.Of(
                new()
                {
                    Label = "Statutory interest",
                    DayCount = DayCount.Of("act/365f"),
                    Reference = new("REFERENCE", 8, FixedForLife: false, DayBefore: false),
                    Compensation = [new(0, 40)],
                }
            )
        ),
        new(
            "Statutory interest by UK law",
            "Late Payment of Commercial Debts (Interest) Act 1998: base rate before the half-year in which the debt "
                + "became late + 8 points, 40, 70 or 100 once",
            LateChargePolicyShape.Of(
                new()
                {
                    Label = "Statutory interest",
                    DayCount = DayCount.Of("act/365f"),
                    Reference = new("REFERENCE", 8, FixedForLife: true, DayBefore: true),
                    Compensation = [new(0, 40), new(1000, 70), new(10_000, 100)],
                }
            )
        ),
    ];
}
