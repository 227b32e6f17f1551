namespace KiteLine.Store;

/// <summary>A view of the board that somebody kept.</summary>
/// <param name="Own">Of whoever asks.</param>
/// <param name="Query">The part of the address that says what is shown.</param>
public sealed record SavedView(long Id, string Name, string Query, bool Shared, string MadeBy, bool Own);
