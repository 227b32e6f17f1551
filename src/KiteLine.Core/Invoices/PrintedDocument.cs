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
    public required string CompanyName { get; init; }

    /// <summary>The lines of its address.</summary>
    public IReadOnlyList<string> CompanyAddress { get; init; } = [];

    /// <summary>The customer's account.</summary>
    public required string AccountCode { get; init; }

    /// <summary>Whom it goes to.</summary>
    public required string CustomerName { get; init; }

    /// <summary>The customer's address below the name.</summary>
    public IReadOnlyList<string> AddressLines { get; init; } = [];

    /// <summary>What it is of; a credit note's amounts are positive.</summary>
    public required DocumentContent Content { get; init; }

    /// <summary>What is printed about the terms, with dates and amounts; empty for a credit note.</summary>
    public string TermsText { get; init; } = "";

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

    /// <summary>Lines at the foot: where to pay to, whom to call.</summary>
    public IReadOnlyList<string> Foot { get; init; } = [];

    /// <summary>
    /// The reference by ISO 11649 whose body is a document number without its separators; empty where the number has
    /// no such form.
    /// </summary>
    public static string ReferenceOf(string number)
    {
        ArgumentNullException.ThrowIfNull(number);
        var body = string.Concat(number.Where(char.IsAsciiLetterOrDigit)).ToUpperInvariant();
        return body.Length > 0 && CreditorReference.HasForm($"RF00{body}") && number.All(IsPrinted)
            ? CreditorReference.Of(body)
            : "";

        static bool IsPrinted(char c) => char.IsAsciiLetterOrDigit(c) || c is '-' or '/' or '.' or ' ' or '_';
    }
}
