using System.Security.Cryptography;
using System.Text;

namespace KiteLine.Web;

/// <summary>
/// The ten thousand words of six characters and more that people most often choose, from the lists that come with
/// zxcvbn 4.4.2 (MIT licence, © 2012–2016 Dan Wheeler and Dropbox, Inc.). They are kept as the first ten digits of
/// their SHA-256, one a line in rising order, so that nobody has to read them.
/// </summary>
internal static class CommonPasswords
{
    private const int Digits = 10;

    private static readonly Lazy<HashSet<string>> Known = new(() =>
    {
        using var file = new StreamReader(
            typeof(CommonPasswords).Assembly.GetManifestResourceStream("KiteLine.Web.Users.common-passwords.txt")!
        );
        return [.. file.ReadToEnd().Split('\n', StringSplitOptions.RemoveEmptyEntries)];
    });

    /// <summary>Whether a password is such a word, or one with digits and signs around it, whatever its case.</summary>
    internal static bool Holds(string password)
    {
        var lower = password.ToLowerInvariant();
        return Has(lower) || Has(lower.Trim([.. lower.Where(c => !char.IsLetter(c))]));
    }

    private static bool Has(string word) =>
        Known.Value.Contains(Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(word)))[..Digits]);
}
