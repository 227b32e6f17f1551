using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A what-if as it is kept.</summary>
/// <param name="Result">Null while it is not done.</param>
public sealed record StoredWhatIf(
    long Id,
    string Name,
    WhatIfDefinition Definition,
    WhatIfState State,
    WhatIfResult? Result,
    string MadeBy,
    string MadeAt,
    string? FinishedAt
);
