namespace KiteLine.Core;

/// <summary>
/// Everything that what an account owes is worked out from: its items, its letters, and the policies that hold for it.
/// </summary>
public sealed record AccountLedger
{
    /// <summary>The account in compact form, with its promises.</summary>
    public required BookAccount Book { get; init; }

    /// <summary>All its items, closed ones too, oldest due first.</summary>
    public required IReadOnlyList<Item> Items { get; init; }

    /// <summary>The reminders that stand, in the order in which they were issued.</summary>
    public IReadOnlyList<SentReminder> Letters { get; init; } = [];

    /// <summary>How overdue items are charged, amounts in the base currency; null when they are not.</summary>
    public LateChargePolicy? Policy { get; init; }

    /// <summary>The tax on late charges; null when they are not taxed.</summary>
    public TaxCode? ChargeTax { get; init; }

    /// <summary>How it is reminded, amounts in the base currency; null when it is not.</summary>
    public ReminderPlan? Plan { get; init; }

    /// <summary>Of all its amounts.</summary>
    public Currency Currency => Book.Currency;
}
