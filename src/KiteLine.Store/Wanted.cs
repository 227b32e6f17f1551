using Microsoft.Data.Sqlite;
using SQLitePCL;

namespace KiteLine.Store;

/// <summary>
/// Whether anybody still waits for what is being done. What is read or written for a caller who has left, or who has
/// waited too long, ends at the next look of the database, with everything undone.
/// </summary>
public static class Wanted
{
    // Steps of the database's machine between two looks: about a millisecond.
    private const int Steps = 20_000;

    private static readonly AsyncLocal<CancellationToken> Token = new();

    internal static CancellationToken Caller => Token.Value;

    /// <summary>Everything that is done from here on in the same flow of work is done for this caller.</summary>
    public static void By(CancellationToken caller) => Token.Value = caller;

    /// <summary>Does something that others wait for too, so that it is finished whoever leaves.</summary>
    public static T ByAll<T>(Func<T> work)
    {
        ArgumentNullException.ThrowIfNull(work);
        var caller = Token.Value;
        Token.Value = default;
        try
        {
            return work();
        }
        finally
        {
            Token.Value = caller;
        }
    }

    /// <summary>Ends work between two steps of it that ask no database.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public static void ThrowIfNot() => Token.Value.ThrowIfCancellationRequested();

    /// <summary>
    /// Runs work on a connection that ends when nobody waits for it any more.
    /// </summary>
    /// <exception cref="OperationCanceledException">It was ended.</exception>
    internal static T During<T>(SqliteConnection connection, Func<T> work)
    {
        var caller = Token.Value;
        if (!caller.CanBeCanceled)
            return work();
        caller.ThrowIfCancellationRequested();
        raw.sqlite3_progress_handler(connection.Handle, Steps, _ => caller.IsCancellationRequested ? 1 : 0, null);
        try
        {
            return work();
        }
        catch (SqliteException e) when (e.SqliteErrorCode == raw.SQLITE_INTERRUPT && caller.IsCancellationRequested)
        {
            throw new OperationCanceledException("Nobody waits for this any more.", e, caller);
        }
        finally
        {
            // The connection goes back to the pool, for somebody else.
            raw.sqlite3_progress_handler(connection.Handle, 0, null, null);
        }
    }
}
