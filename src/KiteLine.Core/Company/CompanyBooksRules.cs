namespace KiteLine.Core;

/// <summary>Makes the rules of the books of what a company has settled for itself.</summary>
public static class CompanyBooksRules
{
    extension(BooksRules)
    {
        /// <summary>The rules that a company's settings lay down for a business date.</summary>
        public static BooksRules Of(
            CompanySettings settings,
            BusinessCalendar calendar,
            ExchangeRates rates,
            DateOnly today
        )
        {
            ArgumentNullException.ThrowIfNull(settings);
            return new(today, settings.Rounding, calendar, settings.AdjustTaxOnDiscount, settings.ClosedThrough, rates);
        }
    }
}
