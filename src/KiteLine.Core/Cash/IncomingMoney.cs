namespace KiteLine.Core;

/// <summary>Money that is there and waits for what it settles.</summary>
/// <param name="Amount">What the bank received, above zero.</param>
/// <param name="Charges">What it kept of what was paid; zero for nothing.</param>
/// <param name="Remittance">What the payer wrote, line by line.</param>
public sealed record IncomingMoney(
    Money Amount,
    Money Charges,
    DateOnly ValueDate,
    string Remittance,
    ReceiptOrigin Origin
)
{
    /// <summary>An entry on a statement of the bank.</summary>
    /// <param name="method">That of the company's bank account.</param>
    /// <exception cref="RefusedException">It is no money that came in for good.</exception>
    public static IncomingMoney Of(BankEntry entry, PaymentMethod? method)
    {
        ArgumentNullException.ThrowIfNull(entry);
        if (!entry.Booked)
            throw new RefusedException("entry", "The bank has not booked this entry yet; it is only shown.");
        if (!entry.IsReceipt)
            throw new RefusedException(
                "entry",
                "This entry is no payment that came in; reverse what it takes back, or put it aside."
            );
        return new(
            entry.Amount,
            entry.Charges,
            entry.ValueDate,
            entry.Remittance,
            ReceiptOrigin.OnStatement(entry, method)
        );
    }

    /// <summary>What the payer paid.</summary>
    public Money Paid => Amount + Charges;
}
