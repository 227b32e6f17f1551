namespace KiteLine.Core;

/// <summary>By what a payer was recognised, in the order in which it is tried.</summary>
public enum PayerBy
{
    /// <summary>The text names a document of the account.</summary>
    Document,

    /// <summary>It was paid from a bank account that is known to be the account's.</summary>
    BankAccount,

    /// <summary>The text names the account's code.</summary>
    AccountCode,

    /// <summary>The payer's name is like the account's.</summary>
    Name,
}
