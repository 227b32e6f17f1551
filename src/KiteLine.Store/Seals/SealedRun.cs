namespace KiteLine.Store;

/// <summary>The digest of a run of rows.</summary>
/// <param name="Of">Whose rows, as <see cref="SealedTables"/> names them.</param>
/// <param name="First">The first key.</param>
/// <param name="Last">The last key.</param>
/// <param name="Marks">By which the row that is off is named; null in seals of before.</param>
internal sealed record SealedRun(string Of, long First, long Last, byte[] Digest, byte[]? Marks)
{
    /// <summary>How many keys one run has at most.</summary>
    internal const int Most = 1000;
}
