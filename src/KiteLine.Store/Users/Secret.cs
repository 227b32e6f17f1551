using System.Security.Cryptography;
using System.Text;

namespace KiteLine.Store;

/// <summary>Random secrets that the books keep as hashes only. They are long, so that a plain hash is enough.</summary>
public static class Secret
{
    /// <summary>A new secret of 256 random bits, as letters and digits.</summary>
    public static string New() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(32));

    /// <summary>A code of 60 random bits in groups of four, to be typed once.</summary>
    public static string NewCode() =>
        string.Join(
            '-',
            Enumerable.Range(0, 3).Select(_ => RandomNumberGenerator.GetString("ABCDEFGHJKLMNPQRSTUVWXYZ23456789", 4))
        );

    /// <summary>SHA-256 of a secret, as it is stored; the secret itself never is.</summary>
    public static string Hash(string secret) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(secret)));
}
