using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Tells what keeps a command from its work in words, with the exit code of an unusable call.</summary>
internal static class CommandGuard
{
    internal static async Task<int> Run(Func<Task<int>> run)
    {
        try
        {
            return await run();
        }
        catch (Exception e)
            when (e
                    is NewerBooksException
                        or UnsoundBooksException
                        or NotThereException
                        or IOException
                        or UnauthorizedAccessException
                        or KiteLine.Core.RefusedException
            )
        {
            await Console.Error.WriteLineAsync(e.Message);
            return 2;
        }
        catch (Microsoft.Data.Sqlite.SqliteException e)
        {
            await Console.Error.WriteLineAsync(DatabaseTrouble.Words(e));
            return 2;
        }
    }
}
