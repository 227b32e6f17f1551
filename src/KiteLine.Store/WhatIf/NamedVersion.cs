namespace KiteLine.Store;

/// <summary>A version of a policy, and its code.</summary>
public sealed record NamedVersion(long Id, string Code);
