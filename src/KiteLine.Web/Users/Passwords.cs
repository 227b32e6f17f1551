using KiteLine.Core;
using Microsoft.AspNetCore.Identity;

namespace KiteLine.Web;

/// <summary>Passwords, hashed by the framework's hasher.</summary>
internal static class Passwords
{
    private const int Shortest = 10;
    private static readonly PasswordHasher<string> Hasher = new();

    // Checked when there is no such user, so that the time taken does not tell who exists.
    private static readonly Lazy<string> NobodysHash = new(() => Hash("nobody signs in by this"));

    internal static string Hash(string password) => Hasher.HashPassword("", password);

    internal static bool Fits(string? hash, string password) =>
        Hasher.VerifyHashedPassword("", hash ?? NobodysHash.Value, password) != PasswordVerificationResult.Failed
        && hash is not null;

    /// <summary>The hash of a new password.</summary>
    /// <exception cref="RefusedException">It is too short, too long, or the name itself.</exception>
    internal static string HashNew(string? password, string name)
    {
        if (password is null || password.Length < Shortest)
            throw new RefusedException("password", $"Give a password of at least {Shortest} characters.");
        if (password.Length > 200)
            throw new RefusedException("password", "A password has at most 200 characters.");
        if (password.Contains(name, StringComparison.OrdinalIgnoreCase) && password.Length < name.Length + 6)
            throw new RefusedException("password", "The password is too near to the name; choose another.");
        return Hash(password);
    }
}
