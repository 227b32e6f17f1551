namespace KiteLine.Store;

/// <summary>A bank account that a customer pays from.</summary>
public sealed record PayerAccount
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>IBAN or another number, without spaces and in capitals.</summary>
    public string BankAccount { get; init; } = "";

    /// <summary>Whether it was learned from a payment that was assigned by hand.</summary>
    public bool Learned { get; init; }

    /// <summary>Who typed it in, or assigned the payment.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>When.</summary>
    public string MadeAt { get; init; } = "";
}
