namespace KiteLine.Core;

/// <summary>What a payment does to one item.</summary>
/// <param name="Offered">The discount in force on the value date that the payment could have used, or null.</param>
/// <param name="Granted">The discount that was granted by decision, or null.</param>
public sealed record PaymentLine(
    Item Item,
    Money Open,
    ItemSettlement Settlement,
    ItemDiscount? Offered,
    ItemDiscount? Granted = null
);
