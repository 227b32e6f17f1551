using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A bank statement that came in, and how far it is worked off.</summary>
public sealed record StoredStatement
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The company's bank account.</summary>
    public string Account { get; init; } = "";

    /// <summary>The bank's own identification.</summary>
    public string Statement { get; init; } = "";

    /// <summary>Of the bank account.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>Before the first entry, in minor units.</summary>
    public long Opening { get; init; }

    /// <summary>After the last, in minor units.</summary>
    public long Closing { get; init; }

    /// <summary>Who brought it in.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When.</summary>
    public string MadeAt { get; init; } = "";

    /// <summary>The booking date of its last entry; null where it has none.</summary>
    public DateOnly? LastDate { get; init; }

    /// <summary>How many entries it has.</summary>
    public long Entries { get; init; }

    /// <summary>How many of them wait.</summary>
    public long Waiting { get; init; }

    /// <summary>What these come to, in minor units.</summary>
    public long WaitingSum { get; init; }
}
