namespace KiteLine.Core;

/// <summary>What a message brings to a customer.</summary>
public enum MessagePurpose
{
    /// <summary>An invoice.</summary>
    Invoice,

    /// <summary>A credit note.</summary>
    CreditNote,

    /// <summary>A receipt for a payment.</summary>
    Receipt,

    /// <summary>A reminder letter.</summary>
    Reminder,

    /// <summary>A document that raises late charges.</summary>
    LateCharge,

    /// <summary>A statement of account.</summary>
    Statement,

    /// <summary>A view that goes out by itself, to people of the company.</summary>
    View,
}
