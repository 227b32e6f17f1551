namespace KiteLine.Core;

/// <summary>A receipt that an entry of a bank statement seems to take back.</summary>
/// <param name="Posting">The receipt's posting.</param>
/// <param name="Account">Code of the customer's account.</param>
/// <param name="Document">The receipt's number.</param>
/// <param name="By">By what it was found.</param>
public sealed record ReturnedReceipt(
    long Posting,
    string Account,
    string AccountName,
    string Document,
    DateOnly ValueDate,
    Money Amount,
    ReturnedBy By
)
{
    /// <summary>The reason in words.</summary>
    public string Why =>
        By switch
        {
            ReturnedBy.Reference => "it bears the payer’s own reference of this payment",
            ReturnedBy.Document => $"the text names {Document}",
            _ => "it goes back to the bank account that paid just this amount",
        };
}
