using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>What a posting did, or would do.</summary>
/// <param name="SentBefore">Always false: a request that is sent again gets the first answer, and the header
/// Idempotency-Replayed.</param>
/// <param name="Total">What is charged, without tax; what was received.</param>
/// <param name="Tax">The tax on what is charged.</param>
/// <param name="Credits">Credits of the account that a payment uses.</param>
/// <param name="Warnings">What is named about its document: that it was likely posted before, or that its date is
/// unusual.</param>
/// <param name="Document">What an invoice or credit note comes to.</param>
internal sealed record EffectView(
    bool Preview,
    bool SentBefore,
    long EntryId,
    string? Number,
    IReadOnlyList<JournalLineView> Journal,
    AccountRow Before,
    AccountRow After,
    Money? OnAccount,
    IReadOnlyList<PaymentLineView> Payment,
    IReadOnlyList<ChargeLineView> Charges,
    Money? Total,
    CheckView? Check = null,
    Money? Tax = null,
    DocumentView? Document = null,
    IReadOnlyList<UsedCreditView>? Credits = null,
    IReadOnlyList<WarningView>? Warnings = null
);
