using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Keeps the index by which things are found up to date, behind whatever is written.</summary>
internal sealed class FindIndexing(Desk desk) : Worker(desk.Books)
{
    protected override string Subject => "The index of accounts and documents";

    // Postings often come one after the other: taken in together, they are not each held up by a second commit.
    protected override TimeSpan Gathering => TimeSpan.FromMilliseconds(250);

    protected override void Work(CancellationToken stop)
    {
        // What comes in meanwhile is gathered again: each step is a commit that others wait for.
        var more = desk.Books.Read(FindIndexer.HasWork);
        while (!stop.IsCancellationRequested && more)
            more = desk.Books.Write("find", FindIndexer.Step);
    }
}
