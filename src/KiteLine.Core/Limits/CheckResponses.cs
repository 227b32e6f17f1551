namespace KiteLine.Core;

/// <summary>What a credit check does about each finding, for an account; a company has one for new customers.</summary>
public sealed record CheckResponses
{
    /// <summary>What is done when the account would be over its limit.</summary>
    public CheckResponse OverLimit { get; init; } = CheckResponse.Refuse;

    /// <summary>What is done when a group would be over its limit.</summary>
    public CheckResponse GroupOverLimit { get; init; } = CheckResponse.Ask;

    /// <summary>What is done when something is overdue.</summary>
    public CheckResponse Overdue { get; init; } = CheckResponse.Ask;

    /// <summary>What is done on a stopped account.</summary>
    public CheckResponse OnStop { get; init; } = CheckResponse.Refuse;

    /// <summary>What is done when the review of the limit has lapsed.</summary>
    public CheckResponse ReviewLapsed { get; init; } = CheckResponse.Tell;

    /// <summary>What is done when the terms were never confirmed.</summary>
    public CheckResponse TermsNotConfirmed { get; init; } = CheckResponse.Tell;

    /// <summary>What is done after a broken promise.</summary>
    public CheckResponse PromiseBroken { get; init; } = CheckResponse.Ask;

    /// <summary>Overdue is found from more than this many days on.</summary>
    public int OverdueDays { get; init; } = 30;

    /// <summary>Overdue is found above this amount, in major units of the account's currency.</summary>
    public decimal OverdueAmount { get; init; } = 100;

    /// <summary>The response to a finding.</summary>
    public CheckResponse To(CheckFinding finding) =>
        finding switch
        {
            CheckFinding.OverLimit => OverLimit,
            CheckFinding.GroupOverLimit => GroupOverLimit,
            CheckFinding.Overdue => Overdue,
            CheckFinding.OnStop => OnStop,
            CheckFinding.ReviewLapsed => ReviewLapsed,
            CheckFinding.TermsNotConfirmed => TermsNotConfirmed,
            CheckFinding.PromiseBroken => PromiseBroken,
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>The same with another response to one finding.</summary>
    public CheckResponses With(CheckFinding finding, CheckResponse response) =>
        finding switch
        {
            CheckFinding.OverLimit => this with { OverLimit = response },
            CheckFinding.GroupOverLimit => this with { GroupOverLimit = response },
            CheckFinding.Overdue => this with { Overdue = response },
            CheckFinding.OnStop => this with { OnStop = response },
            CheckFinding.ReviewLapsed => this with { ReviewLapsed = response },
            CheckFinding.TermsNotConfirmed => this with { TermsNotConfirmed = response },
            CheckFinding.PromiseBroken => this with { PromiseBroken = response },
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>What is wrong, as field and sentence; empty when they can be used.</summary>
    public IEnumerable<(string Field, string Message)> Problems()
    {
        if (OverdueDays is < 0 or > 3650)
            yield return ("overdueDays", "Overdue is found after 0 to 3650 days.");
        if (OverdueAmount is < 0 or > Bounds.Amount)
            yield return ("overdueAmount", "The amount is not negative.");
    }
}
