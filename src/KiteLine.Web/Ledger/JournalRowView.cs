using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>One line of the journal with the posting that it is of.</summary>
/// <param name="Number">The document that came into being by it.</param>
/// <param name="AccountCode">The customer account that it is on.</param>
/// <param name="Account">The posting account.</param>
internal sealed record JournalRowView(
    long EntryId,
    PostingKind Kind,
    DateOnly PostingDate,
    string Text,
    string? Number,
    string? AccountCode,
    string? AccountName,
    string Account,
    PostingPurpose Purpose,
    string Currency,
    Money? Debit,
    Money? Credit
)
{
    internal static JournalRowView Of(JournalRow r)
    {
        var amount = Money.FromMinor(r.Amount, r.Currency);
        return new(
            r.EntryId,
            r.Kind,
            r.PostingDate,
            r.Text,
            r.Number,
            r.AccountCode,
            r.AccountName,
            r.Account,
            r.Purpose,
            r.Currency.Code,
            amount.Minor > 0 ? amount : null,
            amount.Minor < 0 ? -amount : null
        );
    }
}
