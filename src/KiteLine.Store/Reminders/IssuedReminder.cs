namespace KiteLine.Store;

/// <summary>A reminder that was issued.</summary>
public sealed record IssuedReminder
{
    public long Id { get; init; }
    public string Number { get; init; } = "";
    public long Level { get; init; }
    public DateOnly Date { get; init; }
    public DateOnly PayBy { get; init; }

    /// <summary>Its own fee, in minor units.</summary>
    public long Fee { get; init; }

    /// <summary>Shown fees of earlier letters that it asks for again, in minor units.</summary>
    public long EarlierFees { get; init; }

    public long FeePosted { get; init; }
    public long LateCharge { get; init; }
    public long Total { get; init; }
    public long? EntryId { get; init; }
    public string IssuedBy { get; init; } = "";

    /// <summary>Why it was cancelled, or null while it stands.</summary>
    public string? Cancelled { get; init; }
}
