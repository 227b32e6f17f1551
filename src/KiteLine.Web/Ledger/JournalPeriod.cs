using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Which part of the journal is asked for: the month of the business date up to that day unless a period is given.
/// </summary>
internal sealed record JournalPeriod(
    DateOnly From,
    DateOnly To,
    string? Account,
    PostingPurpose? Purpose,
    Currency? Currency,
    int Page,
    int Size
)
{
    internal static JournalPeriod Read(
        string? from,
        string? to,
        DateOnly today,
        string? account = null,
        string? purpose = null,
        string? currency = null,
        int? page = null,
        int? pageSize = null
    )
    {
        var fields = new Fields();
        var last = fields.OptionalDate("to", to) ?? today;
        var first = fields.OptionalDate("from", from) ?? new(last.Year, last.Month, 1);
        if (first > last)
            fields.Bad("from", "The period begins on its last day or before.");
        var of = string.IsNullOrWhiteSpace(purpose)
            ? (PostingPurpose?)null
            : fields.Choice<PostingPurpose>("purpose", purpose);
        var money = string.IsNullOrWhiteSpace(currency) ? null : fields.Currency("currency", currency);
        var (at, size) = fields.Page(page, pageSize, 100, 1000);
        fields.ThrowIfAny();
        return new(first, last, account, of, money, at, size);
    }

    internal IEnumerable<JournalRow> Lines(SqliteConnection c) =>
        JournalView.Of(c, From, To, Account, Purpose, Currency, (Page - 1) * Size, Size);

    internal IEnumerable<JournalRow> AllLines(SqliteConnection c) =>
        JournalView.Of(c, From, To, Account, Purpose, Currency, 0, int.MaxValue);
}
