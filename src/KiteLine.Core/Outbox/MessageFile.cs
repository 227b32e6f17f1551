namespace KiteLine.Core;

/// <summary>A file that a message brings.</summary>
/// <param name="MediaType">Such as <c>application/pdf</c>.</param>
public sealed record MessageFile(string Name, string MediaType, byte[] Content);
