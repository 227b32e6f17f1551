namespace KiteLine.Core;

/// <summary>A late-charge policy in a few words, for the line beside a figure.</summary>
public static class LateChargeWords
{
    /// <summary>Such as "8% a year, act/365f, after 15 days".</summary>
    public static string Of(LateChargePolicy policy, DateOnly on)
    {
        ArgumentNullException.ThrowIfNull(policy);
        var rate = policy switch
        {
            { Method: ChargeMethod.Monthly, Monthly: { } monthly } =>
                $"{Exactly.Plain(monthly.Percent)}% a {(monthly.Months == MonthsCounted.Started ? "month begun" : "full month")}",
            { Reference: { } rule } => $"{rule.Code} + {Exactly.Plain(rule.Margin)}% a year, {policy.DayCount.Name}",
            _ =>
                $"{Exactly.Plain(Dated.InForce(policy.Rates, r => r.From, on)?.AnnualRate ?? 0)}% a year, {policy.DayCount.Name}",
        };
        return rate
            + (policy.WaitDays > 0 ? $", after {policy.WaitDays} days" : "")
            + (policy.Compensation.Count > 0 ? ", with a fixed sum" : "");
    }
}
