using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Finds and opens the books in a data folder.</summary>
internal static class DataFolder
{
    private static readonly string[] FirstTerms = ["n/14", "2/10 n/30", "n/30 EOM"];

    internal static string Path(string? given) =>
        given ?? Environment.GetEnvironmentVariable("KITELINE_DATA") ?? "data";

    /// <summary>The company's books, made with plain settings when there are none.</summary>
    internal static Books OpenCompany(string folder)
    {
        var books = Books.Open(System.IO.Path.Combine(folder, "books.db"));
        if (books.Read(CompanyStore.IsNew))
        {
            books.Write(
                "set-up",
                tx =>
                {
                    CompanyStore.Create(tx, new CompanySettings());
                    foreach (var text in FirstTerms)
                        PolicyStore.TermsByText(tx, text);
                    return 0;
                }
            );
        }

        return books;
    }

    /// <summary>The demo's books in a folder of their own, made when there are none or when asked for anew.</summary>
    internal static Books OpenDemo(string folder, bool fresh, Action<string> say)
    {
        var demo = System.IO.Path.Combine(folder, "demo");
        var path = System.IO.Path.Combine(demo, "books.db");
        if (fresh && Directory.Exists(demo))
            Directory.Delete(demo, recursive: true);
        if (!File.Exists(path))
        {
            say("Making the demo company, 18 months of documents …");
            OwnersFolder.Make(demo);
            // Made under another name first, so that a demo that was cut short is never taken for a whole one.
            var making = System.IO.Path.Combine(demo, "making.db");
            File.Delete(making);
            DeleteTails(making);
            using (var books = Books.Open(making))
                new DemoCompany(LetterPdf.Render, Passwords.Hash, LiquidText.Fill).Create(books);
            File.Move(making, path);
            DeleteTails(making);
        }

        return Books.Open(path);
    }

    /// <summary>The company's books, or the demo's when asked for or when there are no others.</summary>
    internal static Books OpenExisting(string folder, bool demo)
    {
        var (company, ofDemo) = (
            System.IO.Path.Combine(folder, "books.db"),
            System.IO.Path.Combine(folder, "demo", "books.db")
        );
        if (demo || (!File.Exists(company) && File.Exists(ofDemo)))
            return Books.Open(File.Exists(ofDemo) ? ofDemo : throw new NotThereException("file", ofDemo));
        return OpenCompany(folder);
    }

    /// <summary>Books that are there; none are made.</summary>
    /// <exception cref="NotThereException">There are none.</exception>
    internal static Books OpenThere(string folder, bool demo)
    {
        var path = System.IO.Path.Combine(folder, demo ? "demo" : "", "books.db");
        return File.Exists(path) ? Books.Open(path) : throw new NotThereException("file", path);
    }

    private static void DeleteTails(string path)
    {
        File.Delete(path + "-wal");
        File.Delete(path + "-shm");
    }
}
