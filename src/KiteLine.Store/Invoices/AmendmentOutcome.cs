using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>What an amendment of an invoice came to.</summary>
/// <param name="Content">What the invoice is of, which stays.</param>
public sealed record AmendmentOutcome(InvoiceAmendment Amendment, DocumentContent Content);
