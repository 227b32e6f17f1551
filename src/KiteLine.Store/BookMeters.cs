using System.Diagnostics.Metrics;

namespace KiteLine.Store;

/// <summary>What is measured of the books, for whoever watches the program. No name or amount is in it.</summary>
public static class BookMeters
{
    /// <summary>Under which it is measured.</summary>
    public const string Name = "KiteLine.Books";

    private static readonly Meter Meter = new(Name);

    /// <summary>Commits, by what they were made for: a person, a key or the program itself.</summary>
    internal static Counter<long> Commits { get; } =
        Meter.CreateCounter<long>("kiteline.books.commits", "{commit}", "Transactions that were committed");

    /// <summary>Journal entries, by their kind.</summary>
    internal static Counter<long> Postings { get; } =
        Meter.CreateCounter<long>("kiteline.books.postings", "{posting}", "Journal entries that were posted");

    /// <summary>How long writers waited for the one before them.</summary>
    internal static Histogram<double> LockWait { get; } =
        Meter.CreateHistogram<double>("kiteline.books.lock_wait", "s", "Time that writers waited for their turn");
}
