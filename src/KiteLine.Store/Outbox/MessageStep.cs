using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A step of a message.</summary>
public sealed record MessageStep
{
    /// <summary>The state that it has from then on.</summary>
    public MessageState State { get; init; }

    /// <summary>What is told of it.</summary>
    public string Detail { get; init; } = "";

    /// <summary>Who did it.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When that was.</summary>
    public string MadeAt { get; init; } = "";
}
