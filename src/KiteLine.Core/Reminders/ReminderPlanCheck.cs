namespace KiteLine.Core;

/// <summary>What every reminder plan must satisfy.</summary>
internal static class ReminderPlanCheck
{
    internal static IEnumerable<(string Field, string Message)> Problems(ReminderPlan plan)
    {
        var levels = plan.Levels;
        if (levels.Count is 0 or > 9)
            yield return ("levels", "A plan has one to nine levels.");
        if (plan.MostReminders is < 1 or > 99)
            yield return ("mostReminders", "An item is reminded 1 to 99 times at the most.");
        for (var i = 0; i < levels.Count; i++)
        {
            if (i > 0 && levels[i].DaysAfterDue <= levels[i - 1].DaysAfterDue)
                yield return ($"levels[{i}].daysAfterDue", "Each level stands later than the one before.");
            if (i == levels.Count - 1 && plan.MostReminders > levels.Count && levels[i].DaysSincePrevious == 0)
                yield return (
                    $"levels[{i}].daysSincePrevious",
                    "The last level is repeated; give the days between its letters."
                );
            foreach (var (field, message) in Waits(levels[i]).Concat(Fee(levels[i])).Concat(Texts(levels[i])))
                yield return ($"levels[{i}].{field}", message);
        }
    }

    private static IEnumerable<(string Field, string Message)> Waits(ReminderLevel level)
    {
        if (level.DaysAfterDue is < 1 or > 3650)
            yield return ("daysAfterDue", "A reminder is sent 1 to 3650 days after the due date.");
        if (level.DaysSincePrevious is < 0 or > 3650)
            yield return ("daysSincePrevious", "Days since the previous level are 0 to 3650.");
        if (level.DaysToPay is < 1 or > 365)
            yield return ("daysToPay", "The customer is given 1 to 365 days to pay.");
        if (level.LeastOverdue < 0)
            yield return ("leastOverdue", "The least overdue amount is not negative.");
        if (level.AskColleague.Length > 100)
            yield return ("askColleague", "A name has up to 100 characters.");
    }

    private static IEnumerable<(string Field, string Message)> Fee(ReminderLevel level)
    {
        if (level.Fee is null && !level.AddEarlierFees && level.FeeTreatment != Treatment.None)
            yield return ("fee", "Give the fee, or set this level to have none.");
        if (level.Fee is not null && level.FeeTreatment == Treatment.None)
            yield return ("feeTreatment", "Say whether the fee is posted or only shown.");
        if (level.MostFee <= 0)
            yield return ("mostFee", "The most a fee may be is above zero.");
        foreach (var (field, message) in level.Fee?.Problems() ?? [])
            yield return ($"fee.{field}", message);
        foreach (var problem in OtherCurrencies(level))
            yield return problem;
    }

    private static IEnumerable<(string Field, string Message)> OtherCurrencies(ReminderLevel level)
    {
        for (var i = 0; i < level.InOtherCurrencies.Count; i++)
        {
            var (at, given) = ($"inOtherCurrencies[{i}]", level.InOtherCurrencies[i]);
            if (!Currency.TryOf(given.Currency, out _))
                yield return ($"{at}.currency", "Give an ISO 4217 currency code, such as EUR.");
            else if (level.InOtherCurrencies.Take(i).Any(o => o.Currency == given.Currency))
                yield return ($"{at}.currency", $"{given.Currency} stands twice.");
            if (given.Fee is not null && level.Fee is null)
                yield return ($"{at}.fee", "The level has no fee.");
            else if (given.Fee is not null && given.Fee.GetType() != level.Fee!.GetType())
                yield return ($"{at}.fee", "The fee has the same basis in every currency.");
            foreach (var (field, message) in given.Fee?.Problems() ?? [])
                yield return ($"{at}.fee.{field}", message);
            if (given.LeastOverdue < 0)
                yield return ($"{at}.leastOverdue", "The least overdue amount is not negative.");
            if (given.MostFee <= 0)
                yield return ($"{at}.mostFee", "The most a fee may be is above zero.");
        }
    }

    private static IEnumerable<(string Field, string Message)> Texts(ReminderLevel level)
    {
        if (level.Texts.Count == 0)
            yield return ("texts", "Give the texts of the letter in at least one language.");
        for (var i = 0; i < level.Texts.Count; i++)
        {
            var text = level.Texts[i];
            if (string.IsNullOrWhiteSpace(text.Subject))
                yield return ($"texts[{i}].subject", "Give the letter a subject.");
            if (text.Language.Length > 0 && !(text.Language.Length == 2 && text.Language.All(char.IsAsciiLetterLower)))
                yield return ($"texts[{i}].language", "A language is a two-letter code such as en, de or fr.");
            if (level.Texts.Take(i).Any(t => t.Language == text.Language))
                yield return ($"texts[{i}].language", "Each language has one set of texts.");
        }
    }
}
