namespace KiteLine.Core;

/// <summary>A document that a posting brings into being, with its items.</summary>
public sealed record NewDocument
{
    /// <summary>What it is.</summary>
    public required ItemKind Kind { get; init; }

    /// <summary>The document number; null lets the books give the next one of its kind.</summary>
    public string? Number { get; init; }

    /// <summary>The document’s date.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>Without tax.</summary>
    public required Money Net { get; init; }

    /// <summary>The tax on it.</summary>
    public required Money Tax { get; init; }

    /// <summary>The part that bears no discount, gross or net as the terms’ base is.</summary>
    public required Money NotDiscountable { get; init; }

    /// <summary>The customer’s, or another one; empty for none.</summary>
    public string Reference { get; init; } = "";

    /// <summary>Code of the payment method by which a receipt came in; empty for other documents.</summary>
    public string PaymentMethod { get; init; } = "";

    /// <summary>The day from which a receipt is certain; null where it is at once.</summary>
    public DateOnly? ClearsOn { get; init; }

    /// <summary>The order an invoice was made of, or null.</summary>
    public long? OrderId { get; init; }

    /// <summary>The invoice that a credit note names, or null.</summary>
    public long? CreditsId { get; init; }

    /// <summary>What it is made up of; empty where totals alone are known.</summary>
    public IReadOnlyList<DocumentLine> Lines { get; init; } = [];

    /// <summary>The taxes of its lines; together they are its tax. Empty where totals alone are known.</summary>
    public IReadOnlyList<DocumentTax> Taxes { get; init; } = [];

    /// <summary>One an instalment; together they are net and tax.</summary>
    public required IReadOnlyList<NewItem> Items { get; init; }
}
