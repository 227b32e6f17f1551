namespace KiteLine.Core;

/// <summary>
/// What about terms deserves a second look, judged over every invoice date of a leap year and the year after it.
/// </summary>
public static class TermsWarnings
{
    /// <summary>One sentence for each thing that stands out, with its numbers; empty when nothing does.</summary>
    public static IEnumerable<string> Of(Terms terms, TermsLimits limits)
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(limits);
        if (TermsCheck.Objection(terms) is { } objection)
            yield return objection;
        var longest = TermsCheck
            .InvoiceDates()
            .Select(day => (Day: day, Days: LastDue(terms, day).DayNumber - day.DayNumber))
            .MaxBy(d => d.Days);
        if (longest.Days > limits.PaymentDays)
            yield return $"An invoice of {Exactly.Day(longest.Day)} is due only after {longest.Days} days; more than "
                + $"{limits.PaymentDays} needs an agreement ({limits.PaymentDaysSource}).";
        if (limits.AnnualCost is not { } most)
            yield break;
        foreach (var step in terms.Discounts)
        {
            if (step.Value is not DiscountValue.Percent(var percent))
                continue;
            var shortest = TermsCheck
                .InvoiceDates()
                .Min(day => LastDue(terms, day).DayNumber - step.Deadline.For(day).DayNumber);
            if (shortest <= 0)
                continue;
            var cost = DiscountCost.Simple(percent / 100, shortest) * 100;
            if (cost > most)
                yield return $"The discount of {Exactly.Plain(percent)} % costs {Exactly.Figure(cost, 1, 1)} % a "
                    + $"year, above the {Exactly.Plain(most)} % the company set.";
        }
    }

    private static DateOnly LastDue(Terms terms, DateOnly day) => terms.Instalments.Max(line => line.Due.For(day));
}
