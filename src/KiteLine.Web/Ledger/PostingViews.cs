using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record JournalLineView(string Account, string Purpose, string? Debit, string? Credit)
{
    internal static JournalLineView Of(JournalLine line, CompanySettings settings) => new(
        line.Account.Length > 0 ? line.Account : settings.PostingAccounts.GetValueOrDefault(line.Purpose, ""), Fields.Name(line.Purpose),
        line.Amount.Minor > 0 ? $"{line.Amount}" : null, line.Amount.Minor < 0 ? $"{-line.Amount}" : null);
}

internal sealed record FindingView(string Code, string Text);

/// <summary>What a payment does to one item; the four parts add up to what was open.</summary>
internal sealed record PaymentLineView(
    long ItemId, string Document, string Open, string Cash, string Discount, string WriteOff, string StaysOpen, string? Offered, IReadOnlyList<FindingView> Findings);

internal sealed record ChargeLineView(long ItemId, string Document, string Due, string Amount, int Days, IReadOnlyList<SegmentLine> Segments);

internal sealed record ReminderLineView(long ItemId, string Document, string Due, int DaysOverdue, int Level, string Open);

/// <summary>What a posting did, or would do.</summary>
internal sealed record EffectView(
    bool Preview, bool SentBefore, long EntryId, string? Number, IReadOnlyList<JournalLineView> Journal, AccountRow Before, AccountRow After,
    string? OnAccount, IReadOnlyList<PaymentLineView> Payment, IReadOnlyList<ChargeLineView> Charges, string? Total, CheckView? Check = null);

/// <summary>The next reminder, or why there is none.</summary>
internal sealed record ReminderProposalView(
    int Level, string Date, string? PayBy, string Fee, string FeeTreatment, string LateChargeTreatment, string Delivery, string LateCharge, string Total, string? LeftOut, string? NextOn, string? SetsState,
    IReadOnlyList<ReminderLineView> Items, IReadOnlyList<Working> Workings);
