namespace KiteLine.Core;

/// <summary>One item the controller chose for a payment, with the decisions on its discount and its rest.</summary>
public sealed record ChosenItem(Item Item, PaymentChoice Choice)
{
    /// <summary>An item whose discount and rest go by the rules.</summary>
    public ChosenItem(Item item)
        : this(item, new()) { }
}
