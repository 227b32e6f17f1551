namespace KiteLine.Core;

/// <summary>A part of an order that is to be delivered on a day; minor units with tax.</summary>
public sealed record OrderDelivery(DateOnly On, long Minor);
