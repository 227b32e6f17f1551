using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>One account of a run with what leads to its figures.</summary>
/// <param name="Changes">What was decided about it otherwise than the rules, the first first.</param>
/// <param name="Workings">How the figures come about, as the books stand now.</param>
/// <param name="Journal">What is posted, as the books stand now; empty where nothing is.</param>
/// <param name="Consequences">What issuing the letter brings beside it.</param>
/// <param name="Levels">How many levels the account's plan has; 0 in a run of late charges.</param>
internal sealed record RunAccountDetail(
    RunAccountView Line,
    IReadOnlyList<RunChangeView> Changes,
    IReadOnlyList<Working> Workings,
    IReadOnlyList<JournalLineView> Journal,
    IReadOnlyList<string> Consequences,
    int Levels
);
