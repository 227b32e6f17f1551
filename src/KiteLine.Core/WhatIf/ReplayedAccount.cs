namespace KiteLine.Core;

/// <summary>An account on which a replay differs from what happened, in minor units of the base currency.</summary>
/// <param name="Unexplained">Lines that its own rules do not explain.</param>
public sealed record ReplayedAccount(
    string Code,
    string Name,
    ReplayFigures Happened,
    ReplayFigures Would,
    int Unexplained
);
