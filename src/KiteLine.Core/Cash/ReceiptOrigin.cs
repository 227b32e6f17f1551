namespace KiteLine.Core;

/// <summary>Where the money of a receipt came from, apart from what it settles.</summary>
/// <param name="Reference">What the payer wrote, on one line; empty for nothing.</param>
/// <param name="Method">How it came in; its own account takes the cash where it has one. Null where none is told.</param>
/// <param name="ClearsOn">The day from which the money is certain; null where it is so already.</param>
/// <param name="From">The bank, or the receipts that nobody was assigned to.</param>
/// <param name="MovedFrom">The receipt, with its account, that it was a part of; empty for none.</param>
public sealed record ReceiptOrigin(
    string Reference,
    PaymentMethod? Method,
    DateOnly? ClearsOn = null,
    PostingPurpose From = PostingPurpose.Bank,
    string MovedFrom = ""
)
{
    /// <summary>Taken by hand: it clears after the days of its method.</summary>
    public static ReceiptOrigin ByHand(string reference, PaymentMethod? method, DateOnly valueDate)
    {
        ArgumentNullException.ThrowIfNull(reference);
        return new(
            reference.Trim(),
            method,
            method is { ClearingDays: > 0 } ? valueDate.AddDays(method.ClearingDays) : null
        );
    }

    /// <summary>On a statement of the bank, which has the money.</summary>
    /// <param name="method">That of the company's bank account.</param>
    public static ReceiptOrigin OnStatement(BankEntry entry, PaymentMethod? method)
    {
        ArgumentNullException.ThrowIfNull(entry);
        return new(OnOneLine(string.Join(' ', entry.Text)), method);
    }

    /// <summary>What a payer wrote as the reference of a receipt: on one line, cut where it is too long for one.</summary>
    public static string OnOneLine(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var line = text.Replace('\n', ' ').Trim();
        return line.Length <= Bounds.Line ? line : line[..(Bounds.Line - 1)] + "…";
    }
}
