namespace KiteLine.Core;

/// <summary>One movement of a statement of account.</summary>
/// <param name="Date">Its value date.</param>
/// <param name="Document">The number of the document that it is about.</param>
/// <param name="Amount">Positive raises what the customer owes.</param>
/// <param name="Balance">What the customer owed after it.</param>
public sealed record StatementLine(DateOnly Date, string Document, StatementLineKind Kind, Money Amount, Money Balance)
{
    /// <summary>Its own printed name, as a late charge has by its policy; null for that of its kind.</summary>
    public string? Name { get; init; }

    /// <summary>What it adds to what the customer owes; zero for a credit.</summary>
    public Money Debit => Amount.Minor > 0 ? Amount : Money.Zero(Amount.Currency);

    /// <summary>What it takes off; zero for a debit.</summary>
    public Money Credit => Amount.Minor < 0 ? -Amount : Money.Zero(Amount.Currency);
}
