namespace KiteLine.Store;

/// <summary>The books were written by a newer version of the program, which this one must not touch.</summary>
public sealed class NewerBooksException(string path, string script)
    : Exception(
        $"The books at {path} were made by a newer version of Kite Line (they contain {script}). Start that version, "
            + $"or restore a copy made before it."
    );
