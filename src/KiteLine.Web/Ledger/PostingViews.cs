using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record JournalLineView(string Account, string Purpose, string? Debit, string? Credit)
{
    internal static JournalLineView Of(JournalLine line, CompanySettings settings) =>
        new(
            line.Account.Length > 0 ? line.Account : settings.PostingAccounts.GetValueOrDefault(line.Purpose, ""),
            Fields.Name(line.Purpose),
            line.Amount.Minor > 0 ? $"{line.Amount}" : null,
            line.Amount.Minor < 0 ? $"{-line.Amount}" : null
        );
}

internal sealed record FindingView(string Code, string Text);

/// <summary>What a payment does to one item; the four parts add up to what was open.</summary>
internal sealed record PaymentLineView(
    long ItemId,
    string Document,
    string Open,
    string Cash,
    string Discount,
    string WriteOff,
    string StaysOpen,
    string? Offered,
    IReadOnlyList<FindingView> Findings
);

/// <param name="Amount">Without tax, the correction included.</param>
/// <param name="Correction">What earlier charges would be now, less what was raised.</param>
internal sealed record ChargeLineView(
    long ItemId,
    string Document,
    string Due,
    string Amount,
    int Days,
    IReadOnlyList<SegmentLine> Segments,
    string Correction,
    bool CutOff
);

internal sealed record ReminderLineView(
    long ItemId,
    string Document,
    string Due,
    int DaysOverdue,
    int Level,
    string Open
);

/// <summary>What a posting did, or would do.</summary>
/// <param name="SentBefore">Always false: a request that is sent again gets the first answer, and the header
/// Idempotency-Replayed.</param>
/// <param name="Total">What is charged, without tax; what was received.</param>
/// <param name="Tax">The tax on what is charged.</param>
internal sealed record EffectView(
    bool Preview,
    bool SentBefore,
    long EntryId,
    string? Number,
    IReadOnlyList<JournalLineView> Journal,
    AccountRow Before,
    AccountRow After,
    string? OnAccount,
    IReadOnlyList<PaymentLineView> Payment,
    IReadOnlyList<ChargeLineView> Charges,
    string? Total,
    CheckView? Check = null,
    string? Tax = null
);

/// <summary>The next reminder, or why there is none.</summary>
/// <param name="Fee">What the letter asks for as fees: its own, and <paramref name="EarlierFees"/>.</param>
/// <param name="LateCharge">With its tax.</param>
/// <param name="ItemsLeftOut">What is overdue and left out, such as disputed items, with the reason.</param>
internal sealed record ReminderProposalView(
    int Level,
    string Date,
    string? PayBy,
    string Fee,
    string FeeTreatment,
    string LateChargeTreatment,
    string Delivery,
    string LateCharge,
    string Total,
    string? LeftOut,
    string? NextOn,
    string? SetsState,
    IReadOnlyList<ReminderLineView> Items,
    IReadOnlyList<Working> Workings,
    string EarlierFees,
    IReadOnlyList<Working> ItemsLeftOut
);
