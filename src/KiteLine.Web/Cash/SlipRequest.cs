using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Account">The company's bank account that they are paid in to.</param>
/// <param name="BankedOn">Left out, the business date.</param>
/// <param name="Receipts">The postings of the receipts.</param>
internal sealed record SlipRequest(
    string? Account,
    string? BankedOn,
    [property: MostEntries(BankingSlip.MostReceipts)] IReadOnlyList<long>? Receipts
);
