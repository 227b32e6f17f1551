namespace KiteLine.Core;

/// <summary>The terms of an electronic document: what it states, and what it does not say as the customer's say.</summary>
/// <param name="Terms">What holds for it.</param>
/// <param name="Own">Whether they hold for it alone, and are not the customer's.</param>
/// <param name="Stated">Due dates that it states, with amount or percent; empty where terms decide.</param>
public sealed record ReceivedTerms(
    Terms Terms,
    bool Own,
    IReadOnlyList<(DateOnly Due, decimal? Amount, decimal? Percent)> Stated
)
{
    /// <summary>The terms of a document; null where nothing says any.</summary>
    /// <param name="usual">The customer's; null where the customer is not known.</param>
    /// <exception cref="RefusedException">The instalments that it states make no sense.</exception>
    public static ReceivedTerms? Of(StatedDocument d, Terms? usual)
    {
        ArgumentNullException.ThrowIfNull(d);
        var said = PlainTerms.Read(d.TermsText, d.Date);
        // A text that says nothing of discounts offers none; without a text the customer's hold.
        var discounts = said?.Discounts ?? (d.TermsText.Length > 0 ? [] : usual?.Discounts ?? []);
        IReadOnlyList<(DateOnly Due, decimal? Amount, decimal? Percent)> stated =
            d.Instalments.Count > 0 ? d.Instalments
            : d.Due is { } due ? [(due, null, 100)]
            : [];
        if (stated.Count == 0 && said is null)
            return usual is null ? null : new(usual, false, []);
        IReadOnlyList<Instalment>? instalments =
            stated.Count > 0 ? [.. stated.Select((s, i) => Line(s, i == stated.Count - 1, d.Date))]
            : said!.Instalments.Count > 0 ? said.Instalments
            : usual?.Instalments;
        if (instalments is null)
            return null;
        try
        {
            var conditions = usual?.Conditions ?? new();
            var terms = Terms
                .Create(instalments, discounts, said?.Moment ?? PaymentMoment.OnAccount)
                // Days that are stated are meant as they stand.
                .Under(stated.Count > 0 ? conditions with { BusinessDays = BusinessDayRule.Keep } : conditions);
            return new(terms, true, stated);
        }
        catch (TermsException e)
        {
            throw new RefusedException("terms", e.Message);
        }
    }

    /// <summary>The instalments on stated days; empty where terms decide.</summary>
    /// <exception cref="RefusedException">They do not add up to the total.</exception>
    public IReadOnlyList<ScheduledInstalment> Instalments(Money gross)
    {
        if (Stated.Count == 0)
            return [];
        var left = gross;
        var lines = new List<ScheduledInstalment>();
        for (var i = 0; i < Stated.Count; i++)
        {
            var (due, amount, percent) = Stated[i];
            var last = i == Stated.Count - 1;
            var part =
                amount is { } a ? Money.Round(a, gross.Currency, RoundingRule.HalfAwayFromZero)
                : last ? left
                : Money.Round(gross.Amount * percent!.Value / 100, gross.Currency, RoundingRule.HalfAwayFromZero);
            lines.Add(new(due, part));
            left -= part;
        }

        return left.IsZero && lines.All(l => l.Amount.Minor > 0)
            ? lines
            : throw new RefusedException(
                "instalments",
                $"The instalments add up to {gross - left}; the document comes to {gross}."
            );
    }

    /// <summary>When it falls due where nothing else is known of it: the last of its instalments.</summary>
    public DateOnly DueFrom(DateOnly date, BooksRules rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        return Stated.Count > 0
            ? Stated.Max(s => s.Due)
            : Terms.Instalments.Max(i => rules.Calendar.Adjust(i.Due.For(date), Terms.Conditions.BusinessDays));
    }

    private static Instalment Line(
        (DateOnly Due, decimal? Amount, decimal? Percent) stated,
        bool last,
        DateOnly date
    ) =>
        new(
            last ? new InstalmentShare.Remainder()
                : stated.Amount is { } amount ? new InstalmentShare.Amount(amount)
                : new InstalmentShare.Percent(stated.Percent!.Value),
            DueRule.AfterInvoice(Math.Max(0, stated.Due.DayNumber - date.DayNumber))
        );
}
