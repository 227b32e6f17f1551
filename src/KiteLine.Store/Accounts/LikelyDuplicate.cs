namespace KiteLine.Store;

/// <summary>An account that a new one may be a duplicate of.</summary>
/// <param name="Why">What they share, such as "the same e-mail address".</param>
public sealed record LikelyDuplicate(string Code, string Name, string Why);
