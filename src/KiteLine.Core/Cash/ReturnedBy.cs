namespace KiteLine.Core;

/// <summary>By what the receipt was found that a return takes back, in the order in which it is tried.</summary>
public enum ReturnedBy
{
    /// <summary>The payer's own reference is that of the payment.</summary>
    Reference,

    /// <summary>The text names the receipt.</summary>
    Document,

    /// <summary>The same bank account paid the same amount.</summary>
    BankAccount,
}
