namespace KiteLine.Core;

/// <summary>A statement of account as it goes out.</summary>
/// <param name="Date">The day on which it was made.</param>
/// <param name="Currency">Of all its amounts.</param>
/// <param name="Buckets">Names of the ageing buckets as people read them.</param>
public sealed record PrintedStatement(
    Letterhead From,
    Addressee To,
    DateOnly Date,
    Currency Currency,
    AccountStatement Statement,
    IReadOnlyList<string> Buckets
)
{
    /// <summary>By which it is known in the outbox and as a file.</summary>
    public string Number => NumberOf(To.AccountCode, Statement.To);

    /// <summary>The reference to pay with: it names the account.</summary>
    public string PaymentReference => CreditorReference.ForDocument(To.AccountCode);

    /// <summary>The number of the statement of an account to a day.</summary>
    public static string NumberOf(string account, DateOnly to) => $"STA-{account}-{to:yyyyMMdd}";

    /// <summary>What a line is, in the customer's words.</summary>
    public static string Words(StatementLine line)
    {
        ArgumentNullException.ThrowIfNull(line);
        return line.Name is { Length: > 0 } name ? name : Words(line.Kind);
    }

    /// <summary>What lines of a kind are.</summary>
    public static string Words(StatementLineKind kind) =>
        kind switch
        {
            StatementLineKind.Invoice => "Invoice",
            StatementLineKind.CreditNote => "Credit note",
            StatementLineKind.Receipt => "Payment",
            StatementLineKind.LateCharge => "Late charge",
            StatementLineKind.ReminderFee => "Reminder fee",
            StatementLineKind.Refund => "Refund",
            StatementLineKind.BankFee => "Bank fee",
            StatementLineKind.Discount => "Discount",
            StatementLineKind.WriteOff => "Written off",
            StatementLineKind.Reversal => "Reversal",
            StatementLineKind.Moved => "Moved",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };
}
