namespace KiteLine.Core;

/// <summary>What an address is for.</summary>
public enum AddressKind
{
    /// <summary>Invoices and letters go there.</summary>
    BillTo,

    /// <summary>Goods go there.</summary>
    ShipTo,
}
