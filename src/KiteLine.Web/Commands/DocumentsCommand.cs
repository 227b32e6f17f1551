using System.Text.Json;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Reads electronic invoices and credit notes into the books: those that are good, in one transaction; each of the
/// others is told with everything that is wrong with it.
/// </summary>
internal sealed class DocumentsCommand(TextWriter progress, TextWriter answer)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>0: all stored; 1: something was refused; 2: a file is not there.</summary>
    internal int Run(IReadOnlyList<string> files, Books books, bool dryRun)
    {
        var missing = files.Where(f => !File.Exists(f)).ToArray();
        if (files.Count == 0 || missing.Length > 0)
        {
            progress.WriteLine(
                files.Count == 0
                    ? "Give the files to read."
                    : $"There is no file {string.Join(", ", missing.Select(f => $"‘{f}’"))}."
            );
            return 2;
        }

        var entries = new List<DocumentEntry>();
        try
        {
            books.Write(
                "documents",
                tx =>
                {
                    Take(tx, files, entries);
                    // Throwing undoes everything: what comes second is seen as if what comes first were stored.
                    return dryRun ? throw new Undone() : 0;
                }
            );
        }
        catch (Undone)
        {
            // As was asked for.
        }

        answer.WriteLine(JsonSerializer.Serialize(new { documents = entries.Select(Shown) }, Options));
        var refused = entries.Count(e => e.Problems.Count > 0);
        progress.WriteLine(
            $"{entries.Count - refused:N0} {(dryRun ? "can be stored" : "stored")}, {refused:N0} refused."
        );
        return refused == 0 ? 0 : 1;
    }

    private sealed class Undone : Exception;

    private void Take(Tx tx, IReadOnlyList<string> files, List<DocumentEntry> entries)
    {
        var items = new ItemStore(new VersionCache());
        var reader = new ReceivedDocumentReader(tx.Connection, items, tx.Rules());
        foreach (var file in files)
        {
            DocumentEntry entry;
            try
            {
                var seen = reader.Read(UblInvoice.Read(Content(file)));
                IReadOnlyList<DocumentWarning> warnings = [];
                if (seen.Decision is { } decision)
                {
                    warnings = ReceivedDocumentDesk.Warnings(tx.Connection, decision, tx.Rules());
                    ReceivedDocumentDesk.Carry(tx, decision);
                }

                entry = DocumentEntry.Of(seen, file, warnings);
            }
            catch (RefusedException e)
            {
                entry = DocumentEntry.Unreadable(file, e.Message);
            }

            entries.Add(entry);
            if (entries.Count % 1000 == 0)
                progress.WriteLine($"{entries.Count:N0} of {files.Count:N0} files are read.");
        }
    }

    private static byte[] Content(string file) =>
        new FileInfo(file).Length is var length && length > Bounds.DocumentFile
            ? throw new RefusedException(
                "file",
                $"The file has {length:N0} bytes; give at most {Bounds.DocumentFile:N0}."
            )
            : File.ReadAllBytes(file);

    private static object Shown(DocumentEntry e) =>
        new
        {
            e.File,
            e.Number,
            Type = e.Kind == ItemKind.CreditNote ? "credit" : "invoice",
            e.Account,
            e.Date,
            e.Due,
            e.Net,
            e.Tax,
            e.Gross,
            e.Problems,
            e.Findings,
        };
}
