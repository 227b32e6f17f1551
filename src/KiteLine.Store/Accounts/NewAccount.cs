using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What is needed to open an account; what is null comes from the company's defaults.</summary>
public sealed record NewAccount(
    string Name,
    string? Code = null,
    Currency? Currency = null,
    string? Terms = null,
    decimal? Limit = null,
    string? LateChargePolicy = null,
    string? ReminderPlan = null,
    AccountState State = AccountState.Open,
    string GroupName = "",
    string Owner = "",
    string Email = "",
    string Address = "",
    string? TaxCode = null,
    CustomerProfile? Profile = null
);
