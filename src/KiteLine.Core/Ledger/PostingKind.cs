namespace KiteLine.Core;

/// <summary>What a posting records.</summary>
public enum PostingKind
{
    /// <summary>A document that was open before the books began.</summary>
    Opening,

    /// <summary>An invoice.</summary>
    Invoice,

    /// <summary>A credit note.</summary>
    CreditNote,

    /// <summary>Money that came in.</summary>
    Receipt,

    /// <summary>A late charge that was raised.</summary>
    LateCharge,

    /// <summary>A fee, and interest, of a reminder.</summary>
    ReminderFee,

    /// <summary>Takes another posting back.</summary>
    Reversal,

    /// <summary>A credit set against a debit, after both were in the books.</summary>
    Allocation,

    /// <summary>What settled an item put right: allocations taken back and made anew.</summary>
    Correction,

    /// <summary>What was open of an item written off by decision.</summary>
    WriteOff,

    /// <summary>Money paid back to a customer.</summary>
    Refund,

    /// <summary>What was in transit, settled by the bank's own entry; on no customer's account.</summary>
    Clearing,

    /// <summary>What the bank took for a payment that came back, charged on.</summary>
    BankFee,

    /// <summary>A receipt, or a part of it, taken off an account to be assigned to another one.</summary>
    Move,

    /// <summary>The terms or the discount of a posted invoice changed: no money moves.</summary>
    Amendment,
}
