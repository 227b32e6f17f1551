namespace KiteLine.Core;

/// <summary>The due dates, amounts and discounts that terms give for one invoice, with their derivation.</summary>
public sealed record PaymentSchedule(
    IReadOnlyList<ScheduledInstalment> Instalments,
    IReadOnlyList<ScheduledDiscount> Discounts,
    IReadOnlyList<Working> Workings
)
{
    /// <summary>Applies terms to an invoice.</summary>
    /// <remarks>The workings are put together only when asked for, since most callers need the figures alone.</remarks>
    /// <exception cref="TermsException">The fixed instalment amounts exceed the invoice total.</exception>
    public static PaymentSchedule For(
        Terms terms,
        InvoiceAmounts invoice,
        DateOnly invoiceDate,
        BusinessCalendar calendar,
        RoundingRule rounding,
        bool workings = false
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(invoice);
        ArgumentNullException.ThrowIfNull(calendar);
        var dates = terms
            .Instalments.Select(line => calendar.Adjust(line.Due.For(invoiceDate), terms.Conditions.BusinessDays))
            .ToArray();
        var amounts = InstalmentAmounts(terms, invoice.Gross, rounding);
        var instalments = dates.Zip(amounts, (due, amount) => new ScheduledInstalment(due, amount)).ToArray();
        var lastDue = dates.Max();

        var discounts = terms
            .Discounts.Select(step => Discount(step, terms, invoice, invoiceDate, lastDue, calendar, rounding))
            .ToArray();
        return new(
            instalments,
            discounts,
            workings ? ScheduleWorkings.Of(terms, invoice, invoiceDate, instalments, discounts, rounding) : []
        );
    }

    private static Money[] InstalmentAmounts(Terms terms, Money gross, RoundingRule rounding)
    {
        var amounts = new Money[terms.Instalments.Count];
        var left = gross;
        for (var i = 0; i < amounts.Length; i++)
        {
            // The last line takes the remainder whether it is written as the rest or as a percentage.
            amounts[i] =
                i == amounts.Length - 1
                    ? left
                    : terms.Instalments[i].Share switch
                    {
                        InstalmentShare.Percent(var percent) => Money.Round(
                            gross.Amount * percent / 100,
                            gross.Currency,
                            rounding
                        ),
                        InstalmentShare.Amount(var amount) => Money.Round(amount, gross.Currency, rounding),
                        _ => throw new InvalidOperationException("A remainder stands last."),
                    };
            left -= amounts[i];
        }

        return left.Minor >= 0 && amounts[^1].Minor >= 0
            ? amounts
            : throw new TermsException("instalments", $"The instalments exceed the invoice total of {gross}.");
    }

    private static ScheduledDiscount Discount(
        DiscountStep step,
        Terms terms,
        InvoiceAmounts invoice,
        DateOnly invoiceDate,
        DateOnly lastDue,
        BusinessCalendar calendar,
        RoundingRule rounding
    )
    {
        // What is owed before the discount: credit notes have taken their part of it already.
        var gross = invoice.Gross - invoice.Credited;
        var deadline = calendar.Adjust(step.Deadline.For(invoiceDate), terms.Conditions.BusinessDays);
        var percent = (step.Value as DiscountValue.Percent)?.Value;
        var amount = Money.Min(
            gross,
            step.Value switch
            {
                DiscountValue.Percent p => Money.Round(
                    invoice.DiscountableBase(terms.Conditions, rounding).Amount * p.Value / 100,
                    gross.Currency,
                    rounding
                ),
                DiscountValue.Amount a => Money.Round(a.Value, gross.Currency, rounding),
                _ => throw new InvalidOperationException("A discount outside the closed set."),
            }
        );
        var rate = percent / 100 ?? (gross.IsZero ? 0 : amount.Amount / gross.Amount);
        var days = lastDue.DayNumber - deadline.DayNumber;
        var costed = days > 0 && rate is > 0 and < 1;
        return new(
            deadline,
            percent,
            amount,
            gross - amount,
            costed ? DiscountCost.Simple(rate, days) : null,
            costed ? DiscountCost.Effective(rate, days) : null
        );
    }
}
