namespace KiteLine.Store;

/// <summary>A promise to pay, as it was written down.</summary>
public sealed record Promise
{
    public long Id { get; init; }

    public DateOnly MadeOn { get; init; }

    public DateOnly DueOn { get; init; }

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    public string Contact { get; init; } = "";

    public string Note { get; init; } = "";

    public string MadeBy { get; init; } = "";

    public string? Withdrawn { get; init; }
}
