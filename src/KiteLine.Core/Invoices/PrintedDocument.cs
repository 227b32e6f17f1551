namespace KiteLine.Core;

/// <summary>Everything that a printed invoice or credit note is made of.</summary>
public sealed record PrintedDocument
{
    /// <summary>An invoice or a credit note.</summary>
    public required ItemKind Kind { get; init; }

    /// <summary>Its number.</summary>
    public required string Number { get; init; }

    /// <summary>Its date.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The customer's reference; empty for none.</summary>
    public string Reference { get; init; } = "";

    /// <summary>The invoice that a credit note names; empty for none.</summary>
    public string Credits { get; init; } = "";

    /// <summary>Who writes it.</summary>
    public required Letterhead From { get; init; }

    /// <summary>Whom it goes to.</summary>
    public required Addressee To { get; init; }

    /// <summary>What it is of; a credit note's amounts are positive.</summary>
    public required DocumentContent Content { get; init; }

    /// <summary>What is printed about the terms, with dates and amounts; empty for a credit note.</summary>
    public string TermsText { get; init; } = "";

    /// <summary>That its terms were amended, and from when on; empty where they are those it was posted with.</summary>
    public string AmendedText { get; init; } = "";

    /// <summary>The discounts that it offers; empty for none.</summary>
    public IReadOnlyList<ScheduledDiscount> Discounts { get; init; } = [];

    /// <summary>When it is due, of several instalments the last; null where no terms are known, and for a credit
    /// note.</summary>
    public DateOnly? Due { get; init; }

    /// <summary>What late payment costs; empty where it costs nothing.</summary>
    public string LateChargeText { get; init; } = "";

    /// <summary>Why it bears no tax; empty where it does.</summary>
    public string ExemptionText { get; init; } = "";

    /// <summary>The reference to pay with; empty where the number cannot be made into one, and for a credit
    /// note.</summary>
    public string PaymentReference { get; init; } = "";
}
