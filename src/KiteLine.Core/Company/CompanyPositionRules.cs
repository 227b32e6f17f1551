namespace KiteLine.Core;

/// <summary>Makes the rules by which accounts are looked at of what a company has settled for itself.</summary>
public static class CompanyPositionRules
{
    extension(PositionRules)
    {
        /// <summary>How a company looks at its accounts on a day, by what counted towards exposure on it.</summary>
        public static PositionRules Of(CompanySettings settings, BusinessCalendar calendar, DateOnly day)
        {
            ArgumentNullException.ThrowIfNull(settings);
            return new(settings.ExposureOn(day), settings.Buckets(), calendar);
        }
    }
}
