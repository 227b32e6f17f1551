namespace KiteLine.Core;

/// <summary>An invoice or credit note as an electronic document states it; a credit note's amounts are positive.</summary>
public sealed record StatedDocument
{
    /// <summary>An invoice or a credit note.</summary>
    public required ItemKind Kind { get; init; }

    /// <summary>BT-1.</summary>
    public required string Number { get; init; }

    /// <summary>BT-2.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>BT-5, the code as it stands there.</summary>
    public required string Currency { get; init; }

    /// <summary>BT-9: when it is due, or the due date of its means of payment; null where neither is stated.</summary>
    public DateOnly? Due { get; init; }

    /// <summary>BT-20, the terms in words.</summary>
    public string TermsText { get; init; } = "";

    /// <summary>Instalments that are stated one by one: due date, and amount or percent.</summary>
    public IReadOnlyList<(DateOnly Due, decimal? Amount, decimal? Percent)> Instalments { get; init; } = [];

    /// <summary>BT-10 or BT-13: the buyer's reference or order.</summary>
    public string Reference { get; init; } = "";

    /// <summary>BT-25: the invoice that a credit note names; empty for none.</summary>
    public string Credits { get; init; } = "";

    /// <summary>BT-46: how the seller knows the buyer.</summary>
    public IReadOnlyList<string> BuyerIds { get; init; } = [];

    /// <summary>BT-47 and BT-48: the buyer's tax and company identifiers.</summary>
    public IReadOnlyList<string> BuyerTaxIds { get; init; } = [];

    /// <summary>BT-44 and BT-45: the buyer's names.</summary>
    public IReadOnlyList<string> BuyerNames { get; init; } = [];

    /// <summary>The totals that it states.</summary>
    public required StatedTotals Totals { get; init; }

    /// <summary>Its lines, then allowances and charges on the document.</summary>
    public required IReadOnlyList<Line> Lines { get; init; }

    /// <summary>Its taxes: code of the category, scheme, rate, what it is levied on, tax.</summary>
    public required IReadOnlyList<Tax> Taxes { get; init; }

    /// <summary>A line, in major units.</summary>
    public sealed record Line(string Text, decimal Quantity, decimal UnitPrice, decimal Net, string Category);

    /// <summary>A tax category, in major units.</summary>
    public sealed record Tax(string Category, string Scheme, decimal Percent, decimal Taxed, decimal Amount);
}
