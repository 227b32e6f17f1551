namespace KiteLine.Store;

/// <summary>What a backup holds.</summary>
/// <param name="File">Where it lies.</param>
/// <param name="Changes">How many commits the books had seen.</param>
/// <param name="Head">The hash of the last row of the audit log: kept elsewhere, it proves that the log was not
/// written anew.</param>
/// <param name="At">When that row was written: UTC, ISO 8601.</param>
public sealed record BackupFacts(string File, long Changes, string Head, string At);
