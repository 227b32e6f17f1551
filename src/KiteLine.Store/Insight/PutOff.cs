using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Something of Today that was put off.</summary>
public sealed record PutOff(string Entry, DateOnly Until, string Reason, string MadeBy);
