namespace KiteLine.Store;

/// <summary>One version of a policy.</summary>
public sealed record StoredPolicy<T>(
    long Id,
    string Code,
    int Version,
    string Name,
    T Definition,
    string MadeBy,
    string MadeAt
);
