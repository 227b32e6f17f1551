namespace KiteLine.Core;

/// <summary>One payment of an order.</summary>
/// <param name="EndToEnd">The company's own reference, which the bank's statement brings back.</param>
/// <param name="Holder">Whom it goes to.</param>
/// <param name="Account">The bank account that it goes to.</param>
/// <param name="Text">What the receiver reads.</param>
public sealed record PaymentOrderLine(string EndToEnd, Money Amount, string Holder, string Account, string Text);
