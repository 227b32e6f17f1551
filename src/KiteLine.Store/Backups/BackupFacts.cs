namespace KiteLine.Store;

/// <summary>What a backup holds.</summary>
/// <param name="File">Where it lies.</param>
/// <param name="Changes">How many commits the books had seen.</param>
/// <param name="Head">The hash of the last seal, which stands for everything in it: kept elsewhere, it proves that the books
/// were not written anew.</param>
/// <param name="At">When they were sealed: UTC, ISO 8601.</param>
/// <param name="BroughtUpToDate">An older version of the program made it; its records were sealed anew as they were
/// found.</param>
public sealed record BackupFacts(string File, long Changes, string Head, string At, bool BroughtUpToDate = false);
