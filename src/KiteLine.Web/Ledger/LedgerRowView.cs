using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="Change">The change of the account's balance: cash, discount and write-off together.</param>
/// <param name="Cash">What of a receipt was cash; null for other postings.</param>
internal sealed record LedgerRowView(
    long EntryId,
    PostingKind Kind,
    DateOnly PostingDate,
    string Text,
    string? Number,
    string Currency,
    Money Change,
    Money? Balance,
    bool Reversed,
    bool CanReverse,
    long? OpeningDocument,
    string PostedBy,
    string AccountCode,
    string AccountName,
    Money? Cash = null,
    Money? Discount = null,
    Money? WriteOff = null
)
{
    internal static LedgerRowView Of(LedgerRow r, long? balance)
    {
        Money Amount(long minor) => Money.FromMinor(minor, r.Currency);
        return new(
            r.EntryId,
            r.Kind,
            r.PostingDate,
            r.Text,
            r.Number,
            r.Currency.Code,
            Amount(r.Change),
            balance is { } b ? Amount(b) : null,
            r.ReversedBy is not null,
            r.ReversedBy is null && r.Kind is not PostingKind.Reversal,
            r.OpeningDocument,
            r.PostedBy,
            r.AccountCode,
            r.AccountName,
            r.Kind == PostingKind.Receipt ? Amount(-r.Change - r.Discount - r.WriteOff) : null,
            r.Discount == 0 ? null : Amount(r.Discount),
            r.WriteOff == 0 ? null : Amount(r.WriteOff)
        );
    }
}
