using System.Security.Cryptography;
using System.Text;
using Dapper;

namespace KiteLine.Store;

/// <summary>Marks a posting request so that sending it twice posts once.</summary>
/// <param name="Key">The sender's key.</param>
/// <param name="Hash">Of the request's content.</param>
public sealed record RequestKey(string Key, string Hash)
{
    public static RequestKey? Of(string? key, string content) =>
        string.IsNullOrWhiteSpace(key) ? null : new(key.Trim(), Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(content))));

    /// <summary>The entry this request made before, or null when it is new.</summary>
    /// <exception cref="KiteLine.Core.RefusedException">The key was used for another request.</exception>
    public static long? Earlier(Tx tx, RequestKey? key)
    {
        ArgumentNullException.ThrowIfNull(tx);
        if (key is null) return null;
        var found = tx.Connection.QuerySingleOrDefault<(long Id, string Hash)?>(
            "SELECT id, request_hash FROM entry WHERE request_key = @Key", new { key.Key });
        if (found is { } f && f.Hash != key.Hash)
            throw new KiteLine.Core.RefusedException("Idempotency-Key", "This key was used for a different posting; use a new key for each posting.");
        return found?.Id;
    }
}
