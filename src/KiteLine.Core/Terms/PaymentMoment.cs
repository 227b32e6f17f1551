namespace KiteLine.Core;

/// <summary>When payment is expected relative to the goods. All but the first fall due on the invoice date.</summary>
public enum PaymentMoment
{
    /// <summary>After supply, by the due rule.</summary>
    OnAccount,

    /// <summary>Cash on delivery, written COD.</summary>
    OnDelivery,

    /// <summary>Cash in advance, written CIA.</summary>
    InAdvance,
}
