namespace KiteLine.Web;

/// <summary>
/// An answer that is a file of any length: written aside before a byte of it goes out, so that memory stays flat, what
/// goes wrong is still told as a problem, and the books are not kept open by a slow reader.
/// </summary>
internal static class FileAnswer
{
    internal const string Csv = "text/csv; charset=utf-8";
    internal const string Xlsx = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    /// <param name="name">Under which it is kept by whoever asks for it.</param>
    internal static IResult Of(Action<Stream> write, string contentType, string name)
    {
        var file = Aside();
        try
        {
            write(file);
            file.Position = 0;
            return Results.File(file, contentType, name);
        }
        catch
        {
            file.Dispose();
            throw;
        }
    }

    /// <summary>A file of nobody else's, which is gone when it is closed.</summary>
    internal static FileStream Aside()
    {
        var options = new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.ReadWrite,
            Options = FileOptions.DeleteOnClose,
        };
        // Customers' data: nobody else on the machine may read it.
        if (!OperatingSystem.IsWindows())
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        return new FileStream(Path.Combine(Path.GetTempPath(), $"kiteline-{Guid.NewGuid():N}"), options);
    }
}
