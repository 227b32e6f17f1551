namespace KiteLine.Core;

/// <summary>What a credit check judges: an account as it stands, and what is asked for.</summary>
public sealed record CheckSubject
{
    /// <summary>The account without what is asked for.</summary>
    public required AccountPosition Position { get; init; }

    /// <summary>
    /// By how much the new document, or its growth, would raise the exposure; the account's currency.
    /// </summary>
    public required Money Asked { get; init; }

    /// <summary>What the account’s record says about each finding.</summary>
    public required CheckResponses Responses { get; init; }

    /// <summary>The day on which the customer confirmed its terms, or null.</summary>
    public required DateOnly? TermsAgreedOn { get; init; }

    /// <summary>The groups the account belongs to that have a limit, nearest first.</summary>
    public required IReadOnlyList<GroupPosition> Groups { get; init; }

    /// <summary>By which a group’s accounts are added up.</summary>
    public required ExchangeRates Rates { get; init; }

    /// <summary>The business days by which promises are judged.</summary>
    public required BusinessCalendar Calendar { get; init; }
}
