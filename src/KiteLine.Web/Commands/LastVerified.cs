using System.Globalization;

namespace KiteLine.Web;

/// <summary>When the books were last found sound, noted beside them, since verifying changes nothing in them.</summary>
internal static class LastVerified
{
    internal static void Note(string books, DateTimeOffset at) =>
        File.WriteAllText(FileOf(books), at.UtcDateTime.ToString("O", CultureInfo.InvariantCulture));

    /// <summary>How long ago; null where it is not known.</summary>
    internal static TimeSpan? Age(string books)
    {
        try
        {
            return DateTimeOffset.TryParse(
                File.ReadAllText(FileOf(books)),
                CultureInfo.InvariantCulture,
                DateTimeStyles.AssumeUniversal,
                out var at
            )
                ? DateTimeOffset.UtcNow - at
                : null;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return null;
        }
    }

    private static string FileOf(string books) =>
        Path.Combine(Path.GetDirectoryName(Path.GetFullPath(books))!, "verified");
}
