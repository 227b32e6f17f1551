namespace KiteLine.Store;

/// <summary>A promise to pay, as it was written down.</summary>
public sealed record Promise
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The day it was given.</summary>
    public DateOnly MadeOn { get; init; }

    /// <summary>The last day to keep it.</summary>
    public DateOnly DueOn { get; init; }

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    /// <summary>Who gave it.</summary>
    public string Contact { get; init; } = "";

    /// <summary>What else was said.</summary>
    public string Note { get; init; } = "";

    /// <summary>Who noted it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>Why it was withdrawn; null while it stands.</summary>
    public string? Withdrawn { get; init; }
}
