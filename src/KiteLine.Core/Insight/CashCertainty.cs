namespace KiteLine.Core;

/// <summary>How sure it is that money comes, and when.</summary>
public enum CashCertainty
{
    /// <summary>The customer promised it by a day that has not passed.</summary>
    Promised,

    /// <summary>Expected on the due date and as many days later as the customer usually pays.</summary>
    Usual,

    /// <summary>Later than the customer usually pays already; expected after as long again, and a week at least.</summary>
    Late,

    /// <summary>In dispute: nobody knows when.</summary>
    Disputed,

    /// <summary>Handed over to be collected: nobody knows when.</summary>
    HandedOver,
}
