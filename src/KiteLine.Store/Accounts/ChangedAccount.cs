namespace KiteLine.Store;

/// <summary>What a change of many accounts does to one of them.</summary>
public sealed record ChangedAccount(string Code, string Name, string Before, string After);
