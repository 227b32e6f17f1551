namespace KiteLine.Web;

/// <summary>The lines of a statement, and how many of those that wait are how sure.</summary>
/// <param name="Likely">Something is proposed that must be looked at.</param>
/// <param name="Unknown">Nothing is proposed.</param>
internal sealed record StatementLinesView(
    StatementView Statement,
    int Total,
    int Certain,
    int Likely,
    int Unknown,
    IReadOnlyList<StatementLineView> Items
);
