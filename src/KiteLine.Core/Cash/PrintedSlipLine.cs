namespace KiteLine.Core;

/// <summary>One receipt on a slip.</summary>
/// <param name="Reference">Such as the number of a cheque.</param>
public sealed record PrintedSlipLine(string Receipt, string Customer, string Reference, Money Amount);
