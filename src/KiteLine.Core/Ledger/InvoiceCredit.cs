namespace KiteLine.Core;

/// <summary>What a credit note of an invoice took off one of its items.</summary>
/// <param name="Item">The item.</param>
/// <param name="Instalment">Which of the invoice's items that is, counted from 1.</param>
/// <param name="ValueDate">From when it counts.</param>
/// <param name="Amount">Gross.</param>
/// <param name="Net">The part of it before tax by the credit note's own tax, in major units, not rounded.</param>
public sealed record InvoiceCredit(long Item, int Instalment, DateOnly ValueDate, Money Amount, decimal Net);
