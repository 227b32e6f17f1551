namespace KiteLine.Store;

/// <summary>Folders that nobody but their owner looks into: they hold customers' data and keys.</summary>
public static class OwnersFolder
{
    private const UnixFileMode Mode = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    /// <summary>Makes one where it is missing. One that is there may hold other things, and is left as it is.</summary>
    /// <returns>The same path.</returns>
    public static string Make(string path)
    {
        if (OperatingSystem.IsWindows())
            Directory.CreateDirectory(path);
        else if (!Directory.Exists(path))
            Directory.CreateDirectory(path, Mode);
        return path;
    }
}
