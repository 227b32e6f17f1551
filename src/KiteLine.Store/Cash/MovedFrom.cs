namespace KiteLine.Store;

/// <summary>A receipt that money was taken off, and its account.</summary>
public sealed record MovedFrom(string Account, string AccountName, string Number);
