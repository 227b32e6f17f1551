namespace KiteLine.Core;

/// <summary>The account that a bank entry is taken to be of, and why.</summary>
/// <param name="Account">Its code.</param>
/// <param name="Sign">What it was recognised by: the document number, the bank account, the code or the name.</param>
public sealed record RecognisedPayer(string Account, PayerBy By, string Sign)
{
    /// <summary>How sure a proposal for it may be at most: a name alike is no certainty.</summary>
    public decimal MostConfidence => By == PayerBy.Name ? 0.5m : 1;

    /// <summary>The reason in words.</summary>
    public string Why =>
        By switch
        {
            PayerBy.Document => $"the text names {Sign}",
            PayerBy.BankAccount => $"it was paid from {Sign}, a bank account of this customer",
            PayerBy.AccountCode => $"the text names the account {Sign}",
            _ => $"the payer’s name is like {Sign}",
        };
}
