using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Money paid back to a customer, and how far it is.</summary>
public sealed record Refund
{
    /// <summary>Unique.</summary>
    public long Id { get; init; }

    /// <summary>The entry that posted it.</summary>
    public long EntryId { get; init; }

    /// <summary>Its number.</summary>
    public string Number { get; init; } = "";

    /// <summary>The customer's account.</summary>
    public string AccountCode { get; init; } = "";

    /// <summary>Its name.</summary>
    public string AccountName { get; init; } = "";

    /// <summary>The day it was posted on.</summary>
    public DateOnly PostingDate { get; init; }

    /// <summary>Of the amount.</summary>
    public Currency Currency { get; init; } = null!;

    /// <summary>In minor units.</summary>
    public long Amount { get; init; }

    /// <summary>The bank account that it goes to.</summary>
    public string BankAccount { get; init; } = "";

    /// <summary>Whose that is.</summary>
    public string Holder { get; init; } = "";

    /// <summary>What the customer reads.</summary>
    public string Reference { get; init; } = "";

    /// <summary>Why it was paid back, as it stands in the ledger.</summary>
    public string Text { get; init; } = "";

    /// <summary>Who posted it, by full name.</summary>
    public string PostedBy { get; init; } = "";

    /// <summary>The payment file it stands in; null for none.</summary>
    public long? File { get; init; }

    /// <summary>The entry by which the bank paid it; null while it has not.</summary>
    public long? PaidBy { get; init; }

    /// <summary>The entry that takes it back; null while it stands.</summary>
    public long? ReversedBy { get; init; }

    /// <summary>What is paid back.</summary>
    public Money Money => Money.FromMinor(Amount, Currency);

    /// <summary>How far it is.</summary>
    public RefundState State =>
        ReversedBy is not null ? RefundState.Reversed
        : PaidBy is not null ? RefundState.Paid
        : File is not null ? RefundState.Ordered
        : RefundState.Waiting;
}
