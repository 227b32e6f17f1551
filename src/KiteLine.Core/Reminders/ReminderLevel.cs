namespace KiteLine.Core;

/// <summary>One level of a reminder plan. Amounts are in major units of the company's base currency.</summary>
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

    /// <summary>
    /// Of fees that are only shown: whether this letter's adds up with those of earlier letters; otherwise it stands in
    /// their place. A fee that was posted is an item of the account and never asked for again.
    /// </summary>
    public bool AddEarlierFees { get; init; }

    /// <summary>
    /// Whether overdue fees and charges are in what a percentage or a band is measured on; otherwise only the overdue
    /// invoices that move.
    /// </summary>
    public bool FeeOnCharges { get; init; }

    /// <summary>The most that the fee may be, earlier ones it adds up with included; or null.</summary>
    public decimal? MostFee { get; init; }

    /// <summary>Whether the fee is posted, only shown, or left out.</summary>
    public Treatment FeeTreatment { get; init; } = Treatment.None;

    /// <summary>What becomes of the late charge accrued to the letter's date.</summary>
    public Treatment LateCharge { get; init; } = Treatment.None;

    /// <summary>
    /// Amounts for accounts in other currencies; where there are none the base currency's are converted.
    /// </summary>
    public IReadOnlyList<LevelAmounts> InOtherCurrencies { get; init; } = [];

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
