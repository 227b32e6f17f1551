using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Lines of the journal as a file that a general ledger can read.</summary>
internal static class JournalFile
{
    private static readonly string[] Header =
    [
        "Entry",
        "Date",
        "Kind",
        "Document",
        "Customer",
        "Account",
        "Purpose",
        "Currency",
        "Debit",
        "Credit",
        "Text",
    ];

    internal static IResult Of(string? format, IEnumerable<JournalRow> rows, string name) =>
        Tables.File(format, Header, rows.Select(Cells), "Journal", name);

    private static IReadOnlyList<object?> Cells(JournalRow r)
    {
        var amount = Money.FromMinor(r.Amount, r.Currency).Amount;
        return
        [
            r.EntryId,
            r.PostingDate.ToString("O"),
            r.Kind.ToString(),
            r.Number,
            r.AccountCode,
            r.Account,
            r.Purpose.ToString(),
            r.Currency.Code,
            r.Amount > 0 ? amount : null,
            r.Amount < 0 ? -amount : null,
            r.Text,
        ];
    }
}
