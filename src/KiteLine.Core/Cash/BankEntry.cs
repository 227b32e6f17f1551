namespace KiteLine.Core;

/// <summary>One movement on a bank account of the company, as its bank states it.</summary>
public sealed record BankEntry
{
    /// <summary>By which it is known within its statement.</summary>
    public required string Reference { get; init; }

    /// <summary>The day the bank booked it.</summary>
    public required DateOnly Date { get; init; }

    /// <summary>The day it has value; the booking date where the bank names none.</summary>
    public required DateOnly ValueDate { get; init; }

    /// <summary>What the account gained; debits are negative.</summary>
    public required Money Amount { get; init; }

    /// <summary>Whether it is booked; pending ones are only shown.</summary>
    public required bool Booked { get; init; }

    /// <summary>Whether it takes back an earlier one.</summary>
    public bool Reversal { get; init; }

    /// <summary>Why a payment came back, as the bank says it; empty where it did not.</summary>
    public string ReturnReason { get; init; } = "";

    /// <summary>Charges that the bank kept of what was paid; zero for none.</summary>
    public required Money Charges { get; init; }

    /// <summary>Who paid; empty where nobody is named.</summary>
    public string Payer { get; init; } = "";

    /// <summary>The payer's bank account, an IBAN or another number; empty where none is named.</summary>
    public string PayerAccount { get; init; } = "";

    /// <summary>What the payer wrote, line by line: references first, then free text.</summary>
    public IReadOnlyList<string> Text { get; init; } = [];

    /// <summary>The payer's own reference of the payment; empty for none.</summary>
    public string EndToEnd { get; init; } = "";

    /// <summary>What was paid in another currency, such as "EUR 1,180.00"; empty where it was the account's.</summary>
    public string Foreign { get; init; } = "";

    /// <summary>Whether it is money that came in, and not what takes something back.</summary>
    public bool IsReceipt => Amount.Minor > 0 && !Reversal && ReturnReason.Length == 0;

    /// <summary>All that the payer wrote, on lines of their own, the payer's own reference last.</summary>
    public string Remittance => string.Join('\n', Text.Append(EndToEnd).Where(t => t.Length > 0));

    /// <summary>What the payer paid: with the charges that the bank kept of it.</summary>
    public Money Paid => Amount.Minor > 0 ? Amount + Charges : Amount;
}
