namespace KiteLine.Core;

/// <summary>What a new customer starts with. Changing a default never changes a customer that exists.</summary>
/// <param name="Terms">Code of the terms.</param>
/// <param name="Limit">Standing limit in major units of the account's currency.</param>
/// <param name="LateChargePolicy">Code, or null when new customers are charged nothing.</param>
/// <param name="ReminderPlan">Code, or null when new customers get no reminders.</param>
public sealed record CustomerDefaults(string Terms = "n/30", decimal Limit = 1000, string? LateChargePolicy = null, string? ReminderPlan = null);
