using System.Globalization;

namespace KiteLine.Store;

/// <summary>How moments are written in the books: in UTC, so that they sort as texts do.</summary>
internal static class Times
{
    internal static string Text(DateTimeOffset time) =>
        time.ToUniversalTime().ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);

    internal static DateTimeOffset Read(string text) =>
        DateTimeOffset.Parse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);
}
