using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>The record of one account. Its limit, state and items have histories of their own.</summary>
public sealed record Account
{
    /// <summary>Unique; it never changes.</summary>
    public long Id { get; init; }

    /// <summary>Unique without regard to case; it never changes.</summary>
    public string Code { get; init; } = "";

    /// <summary>The trading name.</summary>
    public string Name { get; init; } = "";

    /// <summary>Of everything the account owes; it never changes.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>Code of its terms.</summary>
    public string Terms { get; init; } = "";

    /// <summary>Code of its late-charge policy, or null when it is charged nothing.</summary>
    public string? LateChargePolicy { get; init; }

    /// <summary>Code of its reminder plan, or null when it gets no reminders.</summary>
    public string? ReminderPlan { get; init; }

    /// <summary>The group whose limit it counts towards; empty for none.</summary>
    public string GroupName { get; init; } = "";

    /// <summary>Who looks after the account, by full name; empty for nobody.</summary>
    public string Owner { get; init; } = "";

    /// <summary>Where invoices go; empty for none.</summary>
    public string Email { get; init; } = "";

    /// <summary>Code of the tax on its invoices, or null when they are not taxed.</summary>
    public string? TaxCode { get; init; }

    /// <summary>The lines of the address that invoices and letters go to.</summary>
    public string Address { get; init; } = "";

    /// <summary>What is known of the customer beyond that.</summary>
    public CustomerProfile Profile { get; init; } = new();

    /// <summary>
    /// The tax code proposed for a line of a document of this date; empty where no tax is due, as long as an exemption
    /// holds.
    /// </summary>
    public string TaxCodeOn(DateOnly date) => Profile.Exemption?.HoldsOn(date) == true ? "" : TaxCode ?? "";

    /// <summary>Raised by each change; a change names the one it was made on.</summary>
    public long Version { get; init; }
}
