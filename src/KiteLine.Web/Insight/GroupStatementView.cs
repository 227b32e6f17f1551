using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>The statement of a group: its accounts side by side over a period, by value.</summary>
/// <param name="Sums">Of all accounts in one currency.</param>
internal sealed record GroupStatementView(
    string Group,
    DateOnly From,
    DateOnly To,
    IReadOnlyList<GroupStatementLineView> Accounts,
    IReadOnlyList<GroupStatementLineView> Sums
);
