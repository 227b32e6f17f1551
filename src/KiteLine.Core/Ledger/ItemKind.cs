namespace KiteLine.Core;

/// <summary>What an item on an account is. Debits raise what the customer owes, credits lower it.</summary>
public enum ItemKind
{
    /// <summary>An invoice or one instalment of it. A debit.</summary>
    Invoice,

    /// <summary>A credit note. A credit.</summary>
    CreditNote,

    /// <summary>Money received, as far as it is left on account. A credit.</summary>
    Receipt,

    /// <summary>A late charge that was raised. A debit.</summary>
    LateCharge,

    /// <summary>The fee of a reminder that was issued. A debit.</summary>
    ReminderFee,

    /// <summary>Money paid back. A debit, which the credits that it was taken from settle.</summary>
    Refund,

    /// <summary>What the bank took for a payment that came back, charged on. A debit.</summary>
    BankFee,
}
