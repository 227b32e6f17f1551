using KiteLine.Core;
using Microsoft.AspNetCore.Identity;

namespace KiteLine.Web;

/// <summary>Passwords, hashed by the framework's hasher.</summary>
internal static class Passwords
{
    // By the length alone most guessing is hopeless; signs and digits are not asked for, since they make people write
    // passwords down (OWASP ASVS 2.1).
    private const int Shortest = 12;
    private const int LeastDifferent = 6;
    private const int LeastBesideName = 6;
    private static readonly PasswordHasher<string> Hasher = new();

    // Checked when there is no such user, so that the time taken does not tell who exists.
    private static readonly Lazy<string> NobodysHash = new(() => Hash("nobody signs in by this"));

    internal static string Hash(string password) => Hasher.HashPassword("", password);

    internal static bool Fits(string? hash, string password) =>
        Hasher.VerifyHashedPassword("", hash ?? NobodysHash.Value, password) != PasswordVerificationResult.Failed
        && hash is not null;

    private static readonly string[] Rows =
    [
        "qwertyuiopasdfghjklzxcvbnm",
        "abcdefghijklmnopqrstuvwxyz",
        "01234567890123456789",
    ];

    // Neighbours on the keyboard, in the alphabet or in counting, on or back.
    private static bool IsRun(string password)
    {
        var lower = password.ToLowerInvariant();
        var back = new string([.. lower.Reverse()]);
        return Rows.Any(row =>
            row.Contains(lower, StringComparison.Ordinal) || row.Contains(back, StringComparison.Ordinal)
        );
    }

    // How much of it has to be guessed: each word once, and of a word that is a piece repeated the piece; each other sign once.
    private static int Guessed(string password)
    {
        var lower = password.ToLowerInvariant();
        var words = string.Concat(lower.Select(c => char.IsLetter(c) ? c : ' '))
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(Piece)
            .Distinct();
        return words.Sum(w => w.Length) + lower.Where(c => !char.IsLetter(c)).Distinct().Count();
    }

    private static string Piece(string word)
    {
        for (var n = 1; n <= word.Length / 2; n++)
            if (word.Length % n == 0 && string.Concat(Enumerable.Repeat(word[..n], word.Length / n)) == word)
                return word[..n];
        return word;
    }

    /// <summary>The hash of a new password.</summary>
    /// <exception cref="RefusedException">It is too short, too long, near to the name, or one that is easily guessed.</exception>
    internal static string HashNew(string? password, string name)
    {
        if (password is null || password.Length < Shortest)
            throw new RefusedException("password", $"Give a password of at least {Shortest} characters.");
        if (password.Length > 200)
            throw new RefusedException("password", "A password has at most 200 characters.");
        if (password.Distinct().Count() < LeastDifferent || IsRun(password) || Guessed(password) < Shortest)
            throw new RefusedException("password", "The password is easily guessed; mix more different characters.");
        if (
            password.Contains(name, StringComparison.OrdinalIgnoreCase)
            && password.Replace(name, "", StringComparison.OrdinalIgnoreCase).Length < LeastBesideName
        )
            throw new RefusedException("password", "The password is too near to the name; choose another.");
        if (
            CommonPasswords.Holds(password)
            || password.Contains("kiteline", StringComparison.OrdinalIgnoreCase)
            || password.Contains("kite line", StringComparison.OrdinalIgnoreCase)
        )
            throw new RefusedException(
                "password",
                "The password is one that many people choose; use a few words of your own that do not belong together."
            );
        return Hash(password);
    }
}
