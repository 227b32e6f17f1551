using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A file by which the bank is asked to pay refunds.</summary>
public sealed record PaymentFile
{
    /// <summary>Its number; they are counted from 1.</summary>
    public long Id { get; init; }

    /// <summary>The company's bank account that pays.</summary>
    public string Account { get; init; } = "";

    /// <summary>In which it is kept.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>By which the bank knows it.</summary>
    public string MessageId { get; init; } = "";

    /// <summary>The day on which the payments are asked for.</summary>
    public DateOnly ExecuteOn { get; init; }

    /// <summary>Who made it, by full name.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When, in UTC.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>How many refunds stand in it.</summary>
    public long Refunds { get; init; }

    /// <summary>What they add up to, in minor units.</summary>
    public long Amount { get; init; }
}
