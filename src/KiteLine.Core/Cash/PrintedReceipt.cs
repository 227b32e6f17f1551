namespace KiteLine.Core;

/// <summary>What a customer is given for money received.</summary>
public sealed record PrintedReceipt
{
    /// <summary>Its number.</summary>
    public required string Number { get; init; }

    /// <summary>The day from which the money counts.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>What was received, with what the bank kept of it.</summary>
    public required Money Received { get; init; }

    /// <summary>How it was paid; empty where that is not known.</summary>
    public required string Method { get; init; }

    /// <summary>What the payer wrote, or what stands on the cheque.</summary>
    public required string Reference { get; init; }

    /// <summary>What it settled.</summary>
    public required IReadOnlyList<PrintedReceiptLine> Lines { get; init; }

    /// <summary>What of it was moved to other accounts.</summary>
    public required Money Moved { get; init; }

    /// <summary>What of it no document took: it is on account.</summary>
    public required Money OnAccount { get; init; }

    /// <summary>The day on which the account stands like this.</summary>
    public required DateOnly AsOf { get; init; }

    /// <summary>Whether the receipt was taken back.</summary>
    public required bool Reversed { get; init; }

    /// <summary>The company that received it.</summary>
    public required Letterhead From { get; init; }

    /// <summary>The customer.</summary>
    public required Addressee To { get; init; }
}
