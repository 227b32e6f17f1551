namespace KiteLine.Web;

/// <param name="BankAccount">IBAN, or another number where the country has none.</param>
internal sealed record BankAccountRequest(string? BankAccount);
