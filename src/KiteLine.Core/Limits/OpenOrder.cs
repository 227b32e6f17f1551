namespace KiteLine.Core;

/// <summary>An approved order that is not yet invoiced, or the part of it that is not.</summary>
public sealed record OpenOrder(string Number, DateOnly Date, Money NotInvoiced);
