namespace KiteLine.Core;

/// <summary>What every late-charge policy must satisfy.</summary>
internal static class LateChargeCheck
{
    private const string RateBounds = "A rate is 0 to 1000 percent a year.";

    internal static IEnumerable<(string Field, string Message)> Problems(LateChargePolicy p) =>
        [.. Rate(p), .. Bands(p), .. Bounds(p), .. Compensation(p), .. Ceiling(p), .. OtherCurrencies(p)];

    private static IEnumerable<(string Field, string Message)> Rate(LateChargePolicy p)
    {
        if (p.Method == ChargeMethod.Monthly)
        {
            if (p.Monthly is null)
                yield return ("monthly", "Give the percentage for each month.");
            else if (p.Monthly.Percent is < 0 or > 100)
                yield return ("monthly.percent", "A month's percentage is 0 to 100.");
            if (p.Bands.Count > 0)
                yield return ("bands", "Bands go with the daily method.");
            if (p.Reference is not null)
                yield return ("reference", "A reference rate goes with the daily method.");
            yield break;
        }

        if (p.Reference is { } rule)
        {
            if (string.IsNullOrWhiteSpace(rule.Code))
                yield return ("reference.code", "Choose the reference rate.");
            if (rule.Margin is < -20 or > 1000)
                yield return ("reference.margin", "A margin is -20 to 1000 points.");
            yield break;
        }

        if (p.Rates.Count == 0)
            yield return ("rates", "Give at least one rate with the day it holds from.");
        for (var i = 0; i < p.Rates.Count; i++)
        {
            if (p.Rates[i].AnnualRate is < 0 or > 1000)
                yield return ($"rates[{i}].annualRate", RateBounds);
            if (i > 0 && p.Rates[i].From <= p.Rates[i - 1].From)
                yield return ($"rates[{i}].from", "Rates stand in rising order of their dates, one for a date.");
        }
    }

    private static IEnumerable<(string Field, string Message)> Bands(LateChargePolicy p)
    {
        for (var i = 0; i < p.Bands.Count; i++)
        {
            if (p.Bands[i].Above <= 0)
                yield return ($"bands[{i}].above", "A band starts above an amount greater than zero.");
            if (p.Bands[i].AnnualRate is < 0 or > 1000)
                yield return ($"bands[{i}].annualRate", RateBounds);
            if (i > 0 && p.Bands[i].Above <= p.Bands[i - 1].Above)
                yield return ($"bands[{i}].above", "Bands stand in rising order of their amounts.");
        }
    }

    private static IEnumerable<(string Field, string Message)> Bounds(LateChargePolicy p)
    {
        if (p.WaitDays is < 0 or > 3650)
            yield return ("waitDays", "The wait is 0 to 3650 days.");
        if (p.Minimum < 0)
            yield return ("minimum", "A minimum is not negative.");
        if (p.Maximum <= 0)
            yield return ("maximum", "A maximum is above zero.");
        if (p.Minimum > p.Maximum)
            yield return ("minimum", "The minimum is not above the maximum.");
        if (p.MaximumPerRun <= 0)
            yield return ("maximumPerRun", "A maximum is above zero.");
        if (p.MaximumOverLife <= 0)
            yield return ("maximumOverLife", "A maximum is above zero.");
        if (p.ExemptBelow < 0)
            yield return ("exemptBelow", "The amount is not negative.");
    }

    private static IEnumerable<(string Field, string Message)> OtherCurrencies(LateChargePolicy p)
    {
        for (var i = 0; i < p.InOtherCurrencies.Count; i++)
        {
            var (at, given) = ($"inOtherCurrencies[{i}]", p.InOtherCurrencies[i]);
            if (!Currency.TryOf(given.Currency, out _))
                yield return ($"{at}.currency", "Give an ISO 4217 currency code, such as EUR.");
            else if (p.InOtherCurrencies.Take(i).Any(o => o.Currency == given.Currency))
                yield return ($"{at}.currency", $"{given.Currency} stands twice.");
            foreach (
                var (name, amount, own) in new[]
                {
                    ("minimum", given.Minimum, p.Minimum),
                    ("maximum", given.Maximum, p.Maximum),
                    ("maximumPerRun", given.MaximumPerRun, p.MaximumPerRun),
                    ("maximumOverLife", given.MaximumOverLife, p.MaximumOverLife),
                    ("exemptBelow", given.ExemptBelow, p.ExemptBelow),
                }
            )
            {
                if (amount < 0)
                    yield return ($"{at}.{name}", "The amount is not negative.");
                if (amount is not null && own is null)
                    yield return ($"{at}.{name}", "The policy has no such amount in the base currency.");
            }

            if (given.Minimum > given.Maximum)
                yield return ($"{at}.minimum", "The minimum is not above the maximum.");
            if (
                given.BandsAbove is { } above
                && (
                    above.Count != p.Bands.Count
                    || above.Zip(above.Skip(1)).Any(x => x.First >= x.Second)
                    || above.Any(a => a <= 0)
                )
            )
                yield return ($"{at}.bandsAbove", "Give one amount for each band, in rising order and above zero.");
            if (
                given.Compensation is { } sums
                && (
                    sums.Count == 0
                    || p.Compensation.Count == 0
                    || sums[0].From != 0
                    || sums.Any(s => s.Amount <= 0)
                    || sums.Zip(sums.Skip(1)).Any(x => x.First.From >= x.Second.From)
                )
            )
                yield return (
                    $"{at}.compensation",
                    "Give fixed sums in rising order of their amounts, the first from 0, as the policy has them."
                );
        }
    }

    private static IEnumerable<(string Field, string Message)> Compensation(LateChargePolicy p)
    {
        for (var i = 0; i < p.Compensation.Count; i++)
        {
            if (p.Compensation[i].Amount <= 0)
                yield return ($"compensation[{i}].amount", "A fixed sum is above zero.");
            if (i == 0 && p.Compensation[i].From != 0)
                yield return ("compensation[0].from", "The first fixed sum holds from 0 on.");
            if (i > 0 && p.Compensation[i].From <= p.Compensation[i - 1].From)
                yield return ($"compensation[{i}].from", "Fixed sums stand in rising order of their amounts.");
        }
    }

    private static IEnumerable<(string Field, string Message)> Ceiling(LateChargePolicy p)
    {
        if (p.Ceiling is not { } ceiling)
            yield break;
        if (ceiling.Rate is <= 0 or > 1000)
            yield return ("ceiling.rate", "A ceiling is above 0 and at most 1000 percent a year.");
        if (string.IsNullOrWhiteSpace(ceiling.Source))
            yield return ("ceiling.source", "Name the source of the ceiling.");
        string Above(decimal rate) =>
            $"{Exactly.Plain(rate)} % a year is above the {Exactly.Plain(ceiling.Rate)} % that {ceiling.Source} allows.";
        if (p.Method == ChargeMethod.Monthly)
        {
            if (p.Monthly?.Percent * 12 > ceiling.Rate)
                yield return ("monthly.percent", Above(p.Monthly!.Percent * 12));
            yield break;
        }

        if (p.Reference is { } rule)
        {
            if (p.ReferenceRates?.Rates.Max(r => r.AnnualRate) + rule.Margin is { } highest && highest > ceiling.Rate)
                yield return ("reference.margin", Above(highest));
        }
        else
        {
            for (var i = 0; i < p.Rates.Count; i++)
                if (p.Rates[i].AnnualRate > ceiling.Rate)
                    yield return ($"rates[{i}].annualRate", Above(p.Rates[i].AnnualRate));
        }

        for (var i = 0; i < p.Bands.Count; i++)
            if (p.Bands[i].AnnualRate > ceiling.Rate)
                yield return ($"bands[{i}].annualRate", Above(p.Bands[i].AnnualRate));
    }
}
