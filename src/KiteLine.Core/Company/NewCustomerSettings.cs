namespace KiteLine.Core;

/// <summary>What a new customer starts with. Changing a default never changes a customer that exists.</summary>
/// <param name="Terms">Code of the terms.</param>
/// <param name="Limit">Standing limit in major units of the account's currency.</param>
/// <param name="LateChargePolicy">Code, or null when new customers are charged nothing.</param>
/// <param name="ReminderPlan">Code, or null when new customers get no reminders.</param>
/// <param name="Currency">ISO 4217 code, or null for the company's base currency.</param>
/// <param name="TaxCode">Code, or null where sales are not taxed.</param>
/// <param name="Responses">What a credit check does; null for what it usually does.</param>
public sealed record NewCustomerSettings(
    string Terms = "n/30",
    decimal Limit = 1000,
    string? LateChargePolicy = null,
    string? ReminderPlan = null,
    string? Currency = null,
    string? TaxCode = null,
    Delivery Delivery = Delivery.Print,
    CheckResponses? Responses = null
);
