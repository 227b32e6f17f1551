namespace KiteLine.Web;

/// <param name="Account">IBAN or another number.</param>
/// <param name="Currency">Left out, the base currency.</param>
/// <param name="Method">Code of the payment method by which money comes in on it; left out, the first.</param>
internal sealed record OwnBankAccountRequest(string? Account, string? Currency, string? Method);
