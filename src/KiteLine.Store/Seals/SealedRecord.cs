namespace KiteLine.Store;

/// <summary>The digest of a record as it stood at a commit; that of no row at all where it was gone.</summary>
/// <param name="Of">Whose, as <see cref="SealedTables"/> names them.</param>
/// <param name="Key">Its key, as a text.</param>
internal sealed record SealedRecord(string Of, string Key, byte[] Digest);
