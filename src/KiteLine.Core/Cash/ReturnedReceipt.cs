namespace KiteLine.Core;

/// <summary>A receipt that an entry of a bank statement seems to take back, and why.</summary>
public sealed record ReturnedReceipt(BookedReceipt Receipt, ReturnedBy By)
{
    /// <summary>The reason in words.</summary>
    public string Why =>
        By switch
        {
            ReturnedBy.Reference => "it bears the payer’s own reference of this payment",
            ReturnedBy.Document => $"the text names {Receipt.Document}",
            _ => "it goes back to the bank account that paid just this amount",
        };
}
