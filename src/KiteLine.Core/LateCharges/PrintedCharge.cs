namespace KiteLine.Core;

/// <summary>Everything that a charge document is made of.</summary>
public sealed record PrintedCharge
{
    /// <summary>Its number.</summary>
    public required string Number { get; init; }

    /// <summary>The date that it bears; it is due on the same day.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The word that the company prints for a late charge.</summary>
    public required string Label { get; init; }

    /// <summary>By what it was worked out, as a sentence; empty where that is not known.</summary>
    public required string Terms { get; init; }

    /// <summary>Item by item, oldest due first.</summary>
    public required IReadOnlyList<PrintedChargeLine> Lines { get; init; }

    /// <summary>The sum of the lines.</summary>
    public required Money Net { get; init; }

    /// <summary>The tax on it.</summary>
    public required Money Tax { get; init; }

    /// <summary>Whether it was taken back.</summary>
    public required bool Reversed { get; init; }

    /// <summary>The company that writes it.</summary>
    public required Letterhead From { get; init; }

    /// <summary>The customer.</summary>
    public required Addressee To { get; init; }

    /// <summary>The reference to pay with (ISO 11649); empty where the number cannot be written as one.</summary>
    public required string PaymentReference { get; init; }
}
