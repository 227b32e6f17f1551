namespace KiteLine.Store;

/// <summary>A reminder that was issued.</summary>
public sealed record IssuedReminder
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>Printed on the letter.</summary>
    public string Number { get; init; } = "";

    /// <summary>Counted from 1.</summary>
    public long Level { get; init; }

    /// <summary>The date of the letter.</summary>
    public DateOnly Date { get; init; }

    /// <summary>The day it asks to be paid by.</summary>
    public DateOnly PayBy { get; init; }

    /// <summary>Its own fee, in minor units.</summary>
    public long Fee { get; init; }

    /// <summary>Shown fees of earlier letters that it asks for again, in minor units.</summary>
    public long EarlierFees { get; init; }

    /// <summary>1 where its own fee was posted, 0 where it was only shown.</summary>
    public long FeePosted { get; init; }

    /// <summary>What the letter states as late charge, with its tax, in minor units.</summary>
    public long LateCharge { get; init; }

    /// <summary>What the letter asks for, in minor units.</summary>
    public long Total { get; init; }

    /// <summary>The entry of its postings; null where it posted nothing.</summary>
    public long? EntryId { get; init; }

    /// <summary>Who issued it, by full name.</summary>
    public string IssuedBy { get; init; } = "";

    /// <summary>Why it was cancelled, or null while it stands.</summary>
    public string? Cancelled { get; init; }
}
