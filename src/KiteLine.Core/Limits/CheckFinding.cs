namespace KiteLine.Core;

/// <summary>What a credit check may find.</summary>
public enum CheckFinding
{
    OverLimit,
    GroupOverLimit,
    Overdue,
    OnStop,
    ReviewLapsed,
    TermsNotConfirmed,
    PromiseBroken,
}
