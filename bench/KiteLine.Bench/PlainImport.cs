using System.Diagnostics;

namespace KiteLine.Bench;

/// <summary>
/// `.import` of the open items into one indexed table by the command-line program: the yardstick of what writes rows. It is
/// taken anew beside each piece of work, as a machine that others use too is faster at one time than at another.
/// </summary>
internal static class PlainImport
{
    /// <summary>Seconds that it takes.</summary>
    /// <param name="items">The file.</param>
    internal static double Of(string items)
    {
        var database = Path.Combine(Path.GetDirectoryName(items)!, "plain.db");
        SqliteProgram.Run(
            database,
            "CREATE TABLE open_items (account TEXT, document TEXT, type TEXT, date TEXT, due TEXT, net REAL, tax "
                + "REAL, amount REAL, open REAL, terms TEXT, reference TEXT); CREATE UNIQUE INDEX one ON open_items "
                + "(account, document);"
        );
        var clock = Stopwatch.StartNew();
        SqliteProgram.Run(database, $".import --csv --skip 1 '{items}' open_items");
        var seconds = clock.Elapsed.TotalSeconds;
        File.Delete(database);
        return seconds;
    }
}
