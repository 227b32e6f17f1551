using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>An order as a file holds it, not yet compared with the books.</summary>
/// <param name="Row">Where it stands in the file: the row of a table, or 1.</param>
/// <param name="Customer">The code, name or identifier by which the file names the customer.</param>
/// <param name="Total">With tax, in major units.</param>
public sealed record OrderDocument(
    long Row,
    string Customer,
    string Number,
    DateOnly Date,
    string Currency,
    decimal Total,
    IReadOnlyList<(DateOnly On, decimal Amount)> Deliveries,
    string Reference
);
