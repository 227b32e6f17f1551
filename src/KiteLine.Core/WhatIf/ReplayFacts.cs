namespace KiteLine.Core;

/// <summary>What happened on an account, as far as it can be replayed.</summary>
public sealed record ReplayFacts
{
    /// <summary>The account in compact form, as it stands today.</summary>
    public required BookAccount Book { get; init; }

    /// <summary>All its items, closed ones too, oldest due first.</summary>
    public required IReadOnlyList<ReplayItem> Items { get; init; }

    /// <summary>Charges and runs in the order in which they were made, those before the period too.</summary>
    public IReadOnlyList<ChargeEvent> Charges { get; init; } = [];

    /// <summary>Letters and runs in the order in which they were made, those before the period too.</summary>
    public IReadOnlyList<LetterEvent> Letters { get; init; } = [];

    /// <summary>Orders that came in, in their order.</summary>
    public IReadOnlyList<CheckedOrder> Orders { get; init; } = [];

    /// <summary>The policy that holds today, amounts in the base currency; null for none.</summary>
    public LateChargePolicy? Policy { get; init; }

    /// <summary>The plan that holds today, amounts in the base currency; null for none.</summary>
    public ReminderPlan? Plan { get; init; }

    /// <summary>What the account's record says today about what a check finds.</summary>
    public CheckResponses Responses { get; init; } = new();

    /// <summary>The day on which the customer confirmed its terms, or null.</summary>
    public DateOnly? TermsAgreedOn { get; init; }
}
