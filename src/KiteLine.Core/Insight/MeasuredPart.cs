namespace KiteLine.Core;

/// <summary>Of which documents a measure is made.</summary>
public enum MeasuredPart
{
    /// <summary>What is open at the end of the period, as shown.</summary>
    Receivables,

    /// <summary>The part of it that is not yet due.</summary>
    NotDue,

    /// <summary>Invoices and credit notes that the books first showed in the period, and what was taken back in it.</summary>
    Sales,

    /// <summary>Payments of invoices, by value.</summary>
    Paid,

    /// <summary>Discounts given in time, of those whose deadline lay in the period.</summary>
    DiscountsUsed,

    /// <summary>Late charges and fees raised.</summary>
    ChargesRaised,

    /// <summary>Payments of them.</summary>
    ChargesPaid,

    /// <summary>What of them was taken back.</summary>
    ChargesReversed,

    /// <summary>What of them is open at the end of the period.</summary>
    ChargesOpen,
}
