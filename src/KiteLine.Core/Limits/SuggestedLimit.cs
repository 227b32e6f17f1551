namespace KiteLine.Core;

/// <summary>A limit that one method suggests, with its derivation; null where the method lacks what it needs.</summary>
public sealed record SuggestedLimit(SuggestionMethod Method, Money? Amount, IReadOnlyList<Working> Workings)
{
    /// <summary>Of how many months the sales count.</summary>
    public const int Months = 6;

    /// <summary>The first day of the sales that count on a day.</summary>
    public static DateOnly SalesFrom(DateOnly today) => today.AddMonths(-Months).AddDays(1);

    /// <summary>Days from invoice to the last due date by an account's terms; 30 where they are not known.</summary>
    public static int TermsDays(Terms? terms, DateOnly today) =>
        terms is null ? 30 : Math.Max(0, terms.Instalments[^1].Due.For(today).DayNumber - today.DayNumber);

    /// <summary>
    /// What the customer's usual buying takes: average monthly sales including tax, times terms days plus average days
    /// late, over 30. Common practice.
    /// </summary>
    /// <param name="sales">Invoices less credit notes of the months, with tax.</param>
    /// <param name="months">How many months they are of.</param>
    /// <param name="termsDays">Days from invoice to due date.</param>
    /// <param name="daysLate">The account's own average days late; early counts as none.</param>
    public static SuggestedLimit BySales(
        Money sales,
        int months,
        int termsDays,
        decimal? daysLate,
        RoundingRule rounding
    )
    {
        if (sales.Minor <= 0 || months < 1)
            return new(SuggestionMethod.Sales, null, [new("Sales", $"no sales in the last {months} months", "—")]);
        var late = Math.Max(0, daysLate ?? 0);
        var average = sales.Amount / months;
        var limit = Money.Round(average * (termsDays + late) / 30, sales.Currency, rounding);
        return new(
            SuggestionMethod.Sales,
            limit,
            [
                new("Average monthly sales with tax", $"{sales} ÷ {months} months", Exactly.Figure(average, 2, 4)),
                new(
                    "Days until paid",
                    $"terms {termsDays} + average days late {Exactly.Plain(late)}{(daysLate is null ? " (no history)" : "")}",
                    Exactly.Plain(termsDays + late)
                ),
                new(
                    "Suggested limit",
                    $"{Exactly.Figure(average, 2, 4)} × {Exactly.Plain(termsDays + late)} ÷ 30",
                    $"{limit}"
                ),
            ]
        );
    }

    /// <summary>What a credit agency recommends.</summary>
    public static SuggestedLimit ByAgency(AgencyReport? report, Currency currency, Func<Money, Money?> convert)
    {
        ArgumentNullException.ThrowIfNull(convert);
        if (report is null)
            return new(SuggestionMethod.Agency, null, [new("Agency", "no report was asked for yet", "—")]);
        var limit = convert(report.Recommended);
        return new(
            SuggestionMethod.Agency,
            limit,
            [
                new("Rating", $"{report.Agency}, {Exactly.Day(report.On)}", report.Rating),
                new("Recommended", $"by the agency, in {report.Recommended.Currency.Code}", $"{report.Recommended}"),
                new(
                    "Suggested limit",
                    limit is null ? "no rate of the day"
                        : ReferenceEquals(report.Recommended.Currency, currency) ? "as recommended"
                        : $"in {currency.Code} with the rate of the day",
                    limit?.ToString() ?? "—"
                ),
            ]
        );
    }

    /// <summary>A share of the customer's net worth.</summary>
    /// <param name="percent">The company's share, such as 10.</param>
    public static SuggestedLimit ByNetWorth(
        Money? netWorth,
        decimal percent,
        Currency currency,
        Func<Money, Money?> convert,
        RoundingRule rounding
    )
    {
        ArgumentNullException.ThrowIfNull(convert);
        if (netWorth is not { Minor: > 0 } worth)
            return new(SuggestionMethod.NetWorth, null, [new("Net worth", "not known", "—")]);
        var share = Money.Round(worth.Amount * percent / 100, worth.Currency, rounding);
        var limit = convert(share);
        return new(
            SuggestionMethod.NetWorth,
            limit,
            [
                new("Net worth", "by the agency's report", $"{worth}"),
                new("Share", $"{Exactly.Plain(percent)} % of {worth}, the company's rule", $"{share}"),
                new(
                    "Suggested limit",
                    limit is null ? "no rate of the day"
                        : ReferenceEquals(worth.Currency, currency) ? "the share"
                        : $"in {currency.Code} with the rate of the day",
                    limit?.ToString() ?? "—"
                ),
            ]
        );
    }
}
