namespace KiteLine.Web.Tests;

/// <summary>Finds files of the repository from where the tests run.</summary>
internal static class Repository
{
    internal static string Root { get; } = Find();

    internal static string File(params string[] parts) => Path.Combine([Root, .. parts]);

    private static string Find()
    {
        var folder = AppContext.BaseDirectory;
        while (!System.IO.File.Exists(Path.Combine(folder, "KiteLine.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return folder;
    }
}
