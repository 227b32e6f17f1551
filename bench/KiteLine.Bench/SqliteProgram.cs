using System.Diagnostics;

namespace KiteLine.Bench;

/// <summary>The command-line program of the database, which the work is measured against.</summary>
internal static class SqliteProgram
{
    /// <summary>Runs commands; what it prints is read and dropped.</summary>
    internal static void Run(string database, string commands)
    {
        using var process = Process.Start(
            new ProcessStartInfo("sqlite3", [database]) { RedirectStandardInput = true, RedirectStandardOutput = true }
        )!;
        process.StandardInput.WriteLine(commands);
        process.StandardInput.Close();
        process.StandardOutput.BaseStream.CopyTo(Stream.Null);
        process.WaitForExit();
        if (process.ExitCode != 0)
            throw new InvalidOperationException("sqlite3 failed.");
    }
}
