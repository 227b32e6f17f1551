using System.Security.Cryptography;
using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A request that writes, marked so that sending it twice does it once.</summary>
/// <param name="Caller">Who sent it; keys of different callers never meet.</param>
/// <param name="Key">The sender's key.</param>
/// <param name="Hash">Of all that was asked: method, address and content.</param>
public sealed record MarkedRequest(string Caller, string Key, string Hash)
{
    /// <summary>The longest key that is taken.</summary>
    public const int LongestKey = 200;

    /// <summary>Marks a request; null where the sender gave no key.</summary>
    /// <exception cref="RefusedException">The key is too long.</exception>
    public static MarkedRequest? Of(string caller, string? key, ReadOnlySpan<byte> asked)
    {
        if (string.IsNullOrWhiteSpace(key))
            return null;
        if (key.Trim().Length > LongestKey)
            throw new RefusedException("Idempotency-Key", $"A key has up to {LongestKey} characters.");
        return new(caller, key.Trim(), Convert.ToHexStringLower(SHA256.HashData(asked)));
    }
}
