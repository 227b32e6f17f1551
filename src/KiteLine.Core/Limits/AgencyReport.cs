namespace KiteLine.Core;

/// <summary>What a credit agency says of a customer.</summary>
/// <param name="On">The day of the report.</param>
/// <param name="NetWorth">What the customer is worth by its accounts, or null.</param>
public sealed record AgencyReport(string Agency, DateOnly On, string Rating, Money Recommended, Money? NetWorth);
