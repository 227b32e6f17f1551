namespace KiteLine.Store;

/// <summary>A record that was asked for does not exist.</summary>
public sealed class NotThereException(string what, string key) : Exception($"There is no {what} ‘{key}’.");
