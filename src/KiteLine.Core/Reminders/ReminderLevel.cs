namespace KiteLine.Core;

/// <summary>One level of a reminder plan. Amounts are in major units of the account's currency.</summary>
public sealed record ReminderLevel
{
    /// <summary>Days past the due date from which an item may reach this level.</summary>
    public required int DaysAfterDue { get; init; }

    /// <summary>Least days since the item's previous reminder.</summary>
    public int DaysSincePrevious { get; init; }

    /// <summary>Days the customer is given to pay.</summary>
    public int DaysToPay { get; init; } = 7;

    /// <summary>Nothing is sent while less than this is overdue.</summary>
    public decimal LeastOverdue { get; init; }

    /// <summary>The fee of the letter.</summary>
    public decimal Fee { get; init; }

    public FeeTreatment FeeTreatment { get; init; } = FeeTreatment.None;

    /// <summary>Whether the letter states the late charge accrued to its date.</summary>
    public bool ShowLateCharge { get; init; }

    /// <summary>The state that issuing this level sets, or null.</summary>
    public AccountState? SetsState { get; init; }

    /// <summary>Liquid template of the subject line.</summary>
    public string Subject { get; init; } = "";

    /// <summary>Liquid template of the text above the items.</summary>
    public string Opening { get; init; } = "";

    /// <summary>Liquid template of the text below the items.</summary>
    public string Closing { get; init; } = "";
}
