namespace KiteLine.Store;

/// <summary>Which posting made a case of leakage.</summary>
/// <param name="Document">The number of the item's document.</param>
/// <param name="Entry">The posting; null where none was found.</param>
/// <param name="Who">Who posted it.</param>
/// <param name="Why">What it says of itself, with the reason.</param>
public sealed record LeakPosting(string Document, long? Entry, string Who, string Why);
