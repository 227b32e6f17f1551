namespace KiteLine.Core;

/// <summary>A document that a posting brings into being, with its items.</summary>
public sealed record NewDocument
{
    public required ItemKind Kind { get; init; }

    /// <summary>The document number; null lets the books give the next one of its kind.</summary>
    public string? Number { get; init; }

    public required DateOnly Date { get; init; }

    public required Money Net { get; init; }

    public required Money Tax { get; init; }

    public required Money NotDiscountable { get; init; }

    public string Reference { get; init; } = "";

    /// <summary>Code of the payment method by which a receipt came in; empty for other documents.</summary>
    public string PaymentMethod { get; init; } = "";

    /// <summary>The day from which a receipt is certain; null where it is at once.</summary>
    public DateOnly? ClearsOn { get; init; }

    /// <summary>The order an invoice was made of, or null.</summary>
    public long? OrderId { get; init; }

    public required IReadOnlyList<NewItem> Items { get; init; }
}
