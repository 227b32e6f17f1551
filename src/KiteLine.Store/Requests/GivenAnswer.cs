using System.Security.Cryptography;

namespace KiteLine.Store;

/// <summary>The answer that a request was given.</summary>
/// <param name="Content">Null where it cannot be told again, as with a secret.</param>
public sealed record GivenAnswer(int Status, string Type, byte[]? Content);
