using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>What the database could not do, in words that say what to do.</summary>
internal static class DatabaseTrouble
{
    /// <summary>What happened, what was kept, and what to do.</summary>
    internal static string Words(SqliteException e) =>
        e.SqliteErrorCode switch
        {
            5 or 6 => "Another program holds the books; nothing was stored. Try again in a moment.",
            8 => "The folder of the books cannot be written to; nothing was stored. Let this program write there.",
            10 => "The disk does not answer as it should; nothing was stored. Have it looked at, and keep a backup.",
            11 or 26 =>
                "The books are damaged; nothing was stored. Stop the program, keep the file aside, and restore the last "
                    + "backup with ./kiteline restore FILE.",
            13 => "The disk is full; nothing was stored. Make room, then send it again.",
            14 =>
                "The books cannot be opened; nothing was stored. See whether this program may read and write the folder.",
            _ => $"The database refused this: {e.Message} Nothing was stored.",
        };

    /// <summary>The status by which a caller is told; 500 for what is nobody's to mend at once.</summary>
    internal static int Status(SqliteException e) =>
        e.SqliteErrorCode switch
        {
            5 or 6 => StatusCodes.Status503ServiceUnavailable,
            8 or 14 => StatusCodes.Status503ServiceUnavailable,
            13 => StatusCodes.Status507InsufficientStorage,
            _ => StatusCodes.Status500InternalServerError,
        };
}
