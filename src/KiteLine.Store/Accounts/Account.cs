using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The record of one account. Its limit, state and items have histories of their own.</summary>
public sealed record Account
{
    public long Id { get; init; }

    public string Code { get; init; } = "";

    public string Name { get; init; } = "";

    public Currency Currency { get; init; } = null!;

    /// <summary>Code of its terms.</summary>
    public string Terms { get; init; } = "";

    /// <summary>Code of its late-charge policy, or null when it is charged nothing.</summary>
    public string? LateChargePolicy { get; init; }

    /// <summary>Code of its reminder plan, or null when it gets no reminders.</summary>
    public string? ReminderPlan { get; init; }

    public string GroupName { get; init; } = "";

    public string Owner { get; init; } = "";

    public string Email { get; init; } = "";

    /// <summary>Code of the tax on its invoices, or null when they are not taxed.</summary>
    public string? TaxCode { get; init; }

    /// <summary>The lines of the address that invoices and letters go to.</summary>
    public string Address { get; init; } = "";

    /// <summary>What is known of the customer beyond that.</summary>
    public CustomerProfile Profile { get; init; } = new();

    public long Version { get; init; }
}
