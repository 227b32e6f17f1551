namespace KiteLine.Store;

/// <summary>A change of many accounts in the list of those made.</summary>
public sealed record ChangeBatch
{
    public long Id { get; init; }

    public string Field { get; init; } = "";

    public string Value { get; init; } = "";

    public string Reason { get; init; } = "";

    public string MadeBy { get; init; } = "";

    public string MadeAt { get; init; } = "";

    public string? UndoneBy { get; init; }

    public long Accounts { get; init; }
}
