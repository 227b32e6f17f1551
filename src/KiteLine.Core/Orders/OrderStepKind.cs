namespace KiteLine.Core;

/// <summary>What happened to an order.</summary>
public enum OrderStepKind
{
    /// <summary>It came in and passed its check, or went on after a stated reason.</summary>
    Approved,

    /// <summary>It came in, or grew, and is held.</summary>
    Held,

    /// <summary>Somebody with authority released it, or a part of it.</summary>
    Released,

    /// <summary>It is not supplied.</summary>
    Declined,

    /// <summary>It is to be released once the customer has paid a deposit.</summary>
    DepositAsked,

    /// <summary>The customer changed what was ordered.</summary>
    Changed,

    /// <summary>An invoice was made of it, or of a part.</summary>
    Invoiced,

    /// <summary>An invoice that was made of it was reversed.</summary>
    InvoiceReversed,

    /// <summary>Nothing more of it is wanted.</summary>
    Closed,
}
