namespace KiteLine.Core;

/// <summary>
/// Reads the trade's shorthand for terms. Case and spacing do not matter.
/// <code>
/// terms     = discount { [","] discount } [","] payment | payment
/// discount  = ( percent | amount "off" ) "/" when
/// payment   = ("n" | "net") ["/"] when | when (prox only) | instalment { "," instalment } | "COD" | "CIA"
/// instalment= ( percent "%" | amount | "rest" ) ( "now" | when )
/// when      = count ["EOM"] | day "prox" ["cut-off" day] ["+" count]
/// count     = days ["days"] | months "m" ["+" days]
/// </code>
/// Also read: the lines <c>#SKONTO#TAGE=…#PROZENT=…#</c> that electronic invoices carry for each discount.
/// </summary>
public static class Shorthand
{
    /// <summary>Reads the text.</summary>
    /// <exception cref="ShorthandException">The text cannot be read; says where and what was expected.</exception>
    /// <exception cref="TermsException">The text can be read but makes no sense, such as instalments over 100
    /// %.</exception>
    public static Terms Read(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var scan = new ShorthandScanner(text);
        var discounts = new List<DiscountStep>();
        while (scan.Peek('#'))
            discounts.Add(InvoiceNote(scan));
        if (discounts.Count > 0 && scan.AtEnd)
            return AsOnInvoice(discounts);

        while (true)
        {
            if (discounts.Count > 0)
                scan.Take(',');
            if (TryDiscount(scan, discounts))
                continue;
            var terms = Payment(scan, discounts);
            return scan.AtEnd ? terms : throw scan.Expected("the end of the terms");
        }
    }

    /// <summary>Reads the text, or gives null with what is wrong as a sentence.</summary>
    public static Terms? TryRead(string text, out string? problem)
    {
        try
        {
            problem = null;
            return Read(text);
        }
        catch (Exception e) when (e is ShorthandException or TermsException)
        {
            problem = e.Message;
            return null;
        }
    }

    private static bool TryDiscount(ShorthandScanner scan, List<DiscountStep> discounts)
    {
        var start = scan.Mark();
        if (scan.TryDecimal(out var value))
        {
            var percent = scan.Take('%');
            var amount = !percent && scan.TakeWord("off");
            if (scan.Take('/'))
            {
                discounts.Add(
                    new(amount ? new DiscountValue.Amount(value) : new DiscountValue.Percent(value), When(scan))
                );
                return true;
            }

            if (amount)
                throw scan.Expected("‘/’ and the days of the discount");
        }

        scan.Return(start);
        return false;
    }

    private static Terms Payment(ShorthandScanner scan, List<DiscountStep> discounts)
    {
        if (scan.TakeWord("COD"))
            return Single(DueRule.AfterInvoice(0), discounts, PaymentMoment.OnDelivery);
        if (scan.TakeWord("CIA"))
            return Single(DueRule.AfterInvoice(0), discounts, PaymentMoment.InAdvance);
        if (scan.TakeWord("net") || scan.TakeWord("n"))
        {
            scan.Take('/');
            return Single(When(scan), discounts);
        }

        var start = scan.Mark();
        if (scan.TryInteger(out var day) && scan.TakeWord("prox"))
            return Single(Prox(scan, day, start), discounts);
        scan.Return(start);
        return Instalments(scan, discounts);
    }

    private static Terms Instalments(ShorthandScanner scan, List<DiscountStep> discounts)
    {
        var lines = new List<Instalment>();
        do
        {
            InstalmentShare share;
            if (scan.TakeWord("rest"))
                share = new InstalmentShare.Remainder();
            else if (scan.TryDecimal(out var value))
                share = scan.Take('%') ? new InstalmentShare.Percent(value) : new InstalmentShare.Amount(value);
            else
                throw scan.Expected(
                    lines.Count > 0
                        ? "a share such as ‘40%’ or ‘rest’"
                        : "‘n/’ and days, a discount such as ‘2/10’, a share such as ‘40%’, a day ‘15 prox’, COD or CIA"
                );

            lines.Add(new(share, scan.TakeWord("now") ? DueRule.AfterInvoice(0) : When(scan)));
        } while (scan.Take(','));

        if (!scan.AtEnd)
            throw scan.Expected("‘,’ and the next instalment, or the end of the terms");
        return Terms.Create(lines, discounts);
    }

    private static DueRule When(ShorthandScanner scan)
    {
        var start = scan.Mark();
        if (!scan.TryInteger(out var number))
            throw scan.Expected("a number of days");
        if (scan.TakeWord("prox"))
            return Prox(scan, number, start);
        var (months, days) = Count(scan, number);
        return new(scan.TakeWord("EOM") ? DueAnchor.MonthEnd : DueAnchor.InvoiceDate, months, days);
    }

    private static DueRule Prox(ShorthandScanner scan, int day, int start)
    {
        if (day is < 1 or > 31)
            throw scan.ExpectedAt(start, "a day of the month from 1 to 31");
        int? cutOff = null;
        if (scan.TakeWord("cut-off"))
        {
            var at = scan.Mark();
            cutOff =
                scan.TryInteger(out var last) && last is >= 1 and <= 31
                    ? last
                    : throw scan.ExpectedAt(at, "a day of the month from 1 to 31");
        }

        var (months, days) = (0, 0);
        if (scan.Take('+'))
            (months, days) = scan.TryInteger(out var number)
                ? Count(scan, number)
                : throw scan.Expected("a number of days");
        return new(DueAnchor.DayOfNextMonth(day, cutOff), months, days);
    }

    private static (int Months, int Days) Count(ShorthandScanner scan, int number)
    {
        if (!scan.TakeWord("m"))
        {
            _ = scan.TakeWord("days");
            return (0, number);
        }

        if (!scan.Take('+'))
            return (number, 0);
        return scan.TryInteger(out var days) ? (number, days) : throw scan.Expected("a number of days");
    }

    private static DiscountStep InvoiceNote(ShorthandScanner scan)
    {
        scan.Need("#SKONTO#");
        scan.Need("TAGE=");
        if (!scan.TryInteger(out var days))
            throw scan.Expected("a number of days");
        scan.Need("#PROZENT=");
        if (!scan.TryDecimal(out var percent))
            throw scan.Expected("a percentage");
        scan.Need("#");
        if (scan.TakeText("BASISBETRAG="))
        {
            // The base is repeated on the invoice itself; ours is computed from it.
            if (!scan.TryDecimal(out _))
                throw scan.Expected("an amount");
            scan.Need("#");
        }

        return new(new DiscountValue.Percent(percent), DueRule.AfterInvoice(days));
    }

    // The note states no net days. Thirty is what holds where nothing was agreed: Directive 2011/7/EU, article 3(3)(b).
    private static Terms AsOnInvoice(List<DiscountStep> discounts) =>
        Single(DueRule.AfterInvoice(Math.Max(30, discounts.Max(d => d.Deadline.Days))), discounts);

    private static Terms Single(
        DueRule due,
        List<DiscountStep> discounts,
        PaymentMoment moment = PaymentMoment.OnAccount
    ) => Terms.Create([new(new InstalmentShare.Remainder(), due)], discounts, moment);
}
