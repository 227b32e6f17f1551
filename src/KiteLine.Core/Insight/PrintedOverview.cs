namespace KiteLine.Core;

/// <summary>The overview of an account on one page, as a credit committee gets it.</summary>
/// <param name="Company">Whose account it is.</param>
/// <param name="Account">Code and name.</param>
/// <param name="About">Who it is, who looks after it, and of which day: a line each.</param>
/// <param name="Figures">What stands out, then and now: a name, the figure of the day compared with, and today's.</param>
/// <param name="Months">Twelve months.</param>
/// <param name="Habits">How it pays: a sentence each.</param>
/// <param name="Suggested">Limits that are suggested, with their workings.</param>
/// <param name="Changes">What was changed since, the latest first.</param>
public sealed record PrintedOverview(
    string Company,
    string Account,
    IReadOnlyList<string> About,
    string ThenOn,
    string NowOn,
    IReadOnlyList<(string Name, string Then, string Now)> Figures,
    IReadOnlyList<OverviewMonth> Months,
    IReadOnlyList<string> Habits,
    IReadOnlyList<SuggestedLimit> Suggested,
    IReadOnlyList<string> Changes
);
