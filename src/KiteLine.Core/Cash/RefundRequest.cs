namespace KiteLine.Core;

/// <summary>What is asked for to pay money back to a customer.</summary>
/// <param name="Credits">Identifiers of the credit items that it is taken from.</param>
/// <param name="Amount">In the account's currency.</param>
/// <param name="BankAccount">IBAN or another number of the bank account that it goes to.</param>
/// <param name="Holder">Whose that is.</param>
/// <param name="Reference">What the customer reads on the bank statement; empty for the number of the refund.</param>
/// <param name="Reason">Why it is paid back.</param>
public sealed record RefundRequest(
    IReadOnlyList<long> Credits,
    Money Amount,
    string BankAccount,
    string Holder,
    string Reference,
    string Reason
);
