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

    /// <summary>How the fee is reckoned, or null for none.</summary>
    public ReminderFee? Fee { get; init; }

    /// <summary>Whether the fees of the earlier levels are added, as if they were all charged by this letter.</summary>
    public bool AddEarlierFees { get; init; }

    /// <summary>The most that the fee may be, or null.</summary>
    public decimal? MostFee { get; init; }

    public Treatment FeeTreatment { get; init; } = Treatment.None;

    /// <summary>What becomes of the late charge accrued to the letter's date.</summary>
    public Treatment LateCharge { get; init; } = Treatment.None;

    /// <summary>How the letter goes out, or null for the way each customer prefers.</summary>
    public Delivery? Delivery { get; init; }

    /// <summary>The state that issuing this level sets, or null.</summary>
    public AccountState? SetsState { get; init; }

    /// <summary>Whom to ask before anything further is done, noted in the contact log; empty for nobody.</summary>
    public string AskColleague { get; init; } = "";

    /// <summary>Whether the account is to be handed to collection, noted in the contact log.</summary>
    public bool HandToCollection { get; init; }

    /// <summary>One set a language; the first is for customers whose language has none.</summary>
    public required IReadOnlyList<LevelText> Texts { get; init; }

    /// <summary>The texts for a customer of this language.</summary>
    public LevelText TextFor(string language) => Texts.FirstOrDefault(t => t.Language == language) ?? Texts[0];
}
