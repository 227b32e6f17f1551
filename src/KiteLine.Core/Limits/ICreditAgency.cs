namespace KiteLine.Core;

/// <summary>A service that reports on the credit of businesses.</summary>
public interface ICreditAgency
{
    /// <summary>The report on a customer of this name as of a day; null when the agency knows nothing of it.</summary>
    /// <param name="currency">In which the report states its amounts.</param>
    AgencyReport? ReportOn(string name, Currency currency, DateOnly day);
}
