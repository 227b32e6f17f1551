namespace KiteLine.Store;

/// <summary>
/// A file is no books of Kite Line, or damaged ones. Nothing is written into it. The message says what to do.
/// </summary>
public sealed class UnsoundBooksException(string path, string what)
    : Exception(
        $"The file {path} {what}. Nothing was written into it. Keep it aside and restore the last backup with "
            + $"./kiteline restore FILE; if it is no file of yours, name another folder with --data."
    );
