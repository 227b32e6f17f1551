using KiteLine.Store;

namespace KiteLine.Tests;

/// <summary>
/// Books as they are before anything is in them. They take a while to be made, so that they are made once and copied for
/// every test; how they are made has tests of its own.
/// </summary>
internal static class EmptyBooks
{
    private static readonly Lazy<byte[]> Made = new(() =>
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-empty");
        try
        {
            var path = Path.Combine(folder.FullName, "books.db");
            using (var books = Books.Open(path))
                books.CheckpointAll();
            return File.ReadAllBytes(path);
        }
        finally
        {
            folder.Delete(recursive: true);
        }
    });

    /// <summary>Puts them where there are none yet.</summary>
    internal static void PutAt(string path)
    {
        if (!File.Exists(path))
            File.WriteAllBytes(path, Made.Value);
    }
}
