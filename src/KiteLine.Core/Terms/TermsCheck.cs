namespace KiteLine.Core;

/// <summary>What every set of terms must satisfy, and what the company should be warned about.</summary>
public static class TermsCheck
{
    /// <summary>
    /// The first discount whose window always outlasts the time to pay, or null. Such a discount is no reward for
    /// paying early, so it may be calculated but not stored as a customer's terms.
    /// </summary>
    public static DiscountStep? DiscountPastDue(Terms terms)
    {
        ArgumentNullException.ThrowIfNull(terms);
        return terms.Discounts.FirstOrDefault(step =>
            InvoiceDates().All(day => step.Deadline.For(day) > terms.Instalments.Max(line => line.Due.For(day)))
        );
    }

    /// <summary>
    /// As <see cref="DiscountPastDue"/>, as a sentence for the user, or null when the terms are sound.
    /// </summary>
    public static string? Objection(Terms terms) =>
        DiscountPastDue(terms) is null
            ? null
            : "The discount ends after the invoice is due; give a deadline on or before the due date.";

    internal static void Instalments(IReadOnlyList<Instalment> lines)
    {
        if (lines.Count == 0)
            throw new TermsException("instalments", "Give at least one instalment.");
        var percent = 0m;
        var amounts = false;
        for (var i = 0; i < lines.Count; i++)
        {
            var at = $"instalments[{i}]";
            switch (lines[i].Share)
            {
                case InstalmentShare.Percent(var value):
                    if (value is <= 0 or > 100)
                        throw new TermsException($"{at}.percent", "A percentage is above 0 and at most 100.");
                    percent += value;
                    break;
                case InstalmentShare.Amount(var value):
                    if (value <= 0)
                        throw new TermsException($"{at}.amount", "An instalment amount is above zero.");
                    amounts = true;
                    break;
                case InstalmentShare.Remainder when i != lines.Count - 1:
                    throw new TermsException(at, "The remainder stands last, and only one line may be it.");
            }

            Rule($"{at}.due", lines[i].Due);
        }

        var remainder = lines[^1].Share is InstalmentShare.Remainder;
        if (percent > 100)
            throw new TermsException(
                "instalments",
                $"The instalments add up to {Exactly.Plain(percent)} %; they may not exceed 100 %."
            );
        if (!remainder && !amounts && percent < 100)
            throw new TermsException(
                "instalments",
                $"The instalments add up to {Exactly.Plain(percent)} %; let the last line be the rest."
            );
        if (remainder && percent == 100)
            throw new TermsException(
                "instalments",
                "The percentages already add up to 100 %, so nothing is left for the rest."
            );
        if (!remainder && amounts)
            throw new TermsException(
                "instalments",
                "With an instalment of a fixed amount the last line must be the rest."
            );
    }

    internal static void Discounts(IReadOnlyList<DiscountStep> steps)
    {
        for (var i = 0; i < steps.Count; i++)
        {
            switch (steps[i].Value)
            {
                case DiscountValue.Percent(<= 0 or >= 100):
                    throw new TermsException($"discounts[{i}].percent", "A discount is above 0 % and below 100 %.");
                case DiscountValue.Amount(<= 0):
                    throw new TermsException($"discounts[{i}].amount", "A discount amount is above zero.");
            }

            Rule($"discounts[{i}].deadline", steps[i].Deadline);
        }
    }

    private static void Rule(string field, DueRule rule)
    {
        if (rule.Months is < 0 or > 120)
            throw new TermsException($"{field}.months", "Months are 0 to 120.");
        if (rule.Days is < 0 or > 3650)
            throw new TermsException($"{field}.days", "Days are 0 to 3650.");
    }

    // A leap year and the year after it hold every relation between month lengths that a rule can depend on.
    internal static IEnumerable<DateOnly> InvoiceDates()
    {
        for (var day = new DateOnly(2024, 1, 1); day.Year < 2026; day = day.AddDays(1))
            yield return day;
    }
}
