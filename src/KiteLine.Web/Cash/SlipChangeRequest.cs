using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Off">The postings of receipts that come off the slip.</param>
/// <param name="Onto">The postings of receipts that come onto it.</param>
internal sealed record SlipChangeRequest(
    [property: MostEntries(BankingSlip.MostReceipts)] IReadOnlyList<long>? Off,
    [property: MostEntries(BankingSlip.MostReceipts)] IReadOnlyList<long>? Onto,
    string? Reason
);
