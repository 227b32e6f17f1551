namespace KiteLine.Web;

/// <param name="Account">The company's bank account that pays.</param>
/// <param name="ExecuteOn">Left out, the business date.</param>
internal sealed record PaymentFileRequest(string? Account, string? ExecuteOn);
