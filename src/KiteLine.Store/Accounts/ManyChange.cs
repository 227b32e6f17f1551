namespace KiteLine.Store;

/// <summary>A change of many accounts, as it would be or as it was made.</summary>
/// <param name="BatchId">By which it is undone; 0 while nothing was stored.</param>
/// <param name="Unchanged">Chosen accounts that have the value already.</param>
public sealed record ManyChange(
    long BatchId,
    string Field,
    string Value,
    IReadOnlyList<ChangedAccount> Changed,
    int Unchanged
);
