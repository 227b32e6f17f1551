namespace KiteLine.Core;

/// <summary>What a line of a replay is about.</summary>
public enum ReplayKind
{
    /// <summary>Discounts given on the invoices of the period.</summary>
    Discount,

    /// <summary>Late charges raised in the period, without tax.</summary>
    LateCharge,

    /// <summary>Fees of the letters of the period, posted or shown.</summary>
    ReminderFee,

    /// <summary>Orders of the period that were held when they came in.</summary>
    OrderHeld,

    /// <summary>Interest on cash that came earlier, at what money costs the company; negative where it came later.</summary>
    CashInterest,
}
