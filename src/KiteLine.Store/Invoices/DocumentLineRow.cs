using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// One line of the history of an account: a line of a document, the tax of one authority on it, or the totals of one
/// whose lines are not known. All of a period add up to its documents. A credit note's amounts are negative.
/// </summary>
public sealed record DocumentLineRow
{
    /// <summary>The document.</summary>
    public long Id { get; init; }

    /// <summary>An invoice or a credit note.</summary>
    public ItemKind Kind { get; init; }

    /// <summary>Its number.</summary>
    public string Number { get; init; } = "";

    /// <summary>Its date.</summary>
    public DateOnly Date { get; init; }

    /// <summary>What was supplied, or what the tax is; empty for totals.</summary>
    public string Text { get; init; } = "";

    /// <summary>A decimal; empty for taxes and totals.</summary>
    public string Quantity { get; init; } = "";

    /// <summary>A decimal in major units; empty for taxes and totals.</summary>
    public string UnitPrice { get; init; } = "";

    /// <summary>The tax code; empty where there is none.</summary>
    public string TaxCode { get; init; } = "";

    /// <summary>Before tax, in minor units; nothing for a tax.</summary>
    public long Net { get; init; }

    /// <summary>In minor units; nothing for a line.</summary>
    public long Tax { get; init; }
}
