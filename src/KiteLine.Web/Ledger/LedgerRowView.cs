using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record LedgerRowView(
    long EntryId,
    string Kind,
    string PostingDate,
    string Text,
    string? Number,
    string Currency,
    string Change,
    string? Balance,
    bool Reversed,
    bool CanReverse,
    long? OpeningDocument,
    string PostedBy,
    string AccountCode,
    string AccountName
)
{
    internal static LedgerRowView Of(LedgerRow r, long? balance)
    {
        string Text(long minor) => Money.FromMinor(minor, r.Currency).ToString();
        return new(
            r.EntryId,
            Fields.Name(r.Kind),
            $"{r.PostingDate:yyyy-MM-dd}",
            r.Text,
            r.Number,
            r.Currency.Code,
            Text(r.Change),
            balance is { } b ? Text(b) : null,
            r.ReversedBy is not null,
            r.ReversedBy is null && r.Kind is not PostingKind.Reversal,
            r.OpeningDocument,
            r.PostedBy,
            r.AccountCode,
            r.AccountName
        );
    }
}
