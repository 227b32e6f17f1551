using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Reads what is asked of an ageing.</summary>
/// <param name="Since">The day to compare with, or null.</param>
/// <param name="IsWhole">Whether all accounts are asked for.</param>
internal sealed record AgeingReader(
    BookSnapshot Book,
    DateOnly Day,
    DateOnly? Since,
    AgeingKey Key,
    AgeingBasis Basis,
    AgeingBuckets Buckets,
    IReadOnlyList<BookAccount> Accounts,
    bool IsWhole,
    int Page,
    int Size
)
{
    private const int Usual = 100,
        Most = 1000;

    internal static AgeingReader Read(AgeingQuery query, Desk desk)
    {
        var (book, fields) = (desk.Snapshots.Current, new Fields());
        var day = fields.OptionalDate("asOf", query.AsOf) ?? desk.Today();
        var since = fields.OptionalDate("since", query.Since);
        if (since >= day)
            fields.Bad("since", $"Compare with a day before {Exactly.Day(day)}, the one that is shown.");
        var own = book.Settings.Buckets();
        var basis = fields.Choice(
            "basis",
            query.Basis,
            (AgeingBasis?)(own.ByInvoiceDate ? AgeingBasis.Invoice : AgeingBasis.Due)
        );
        var kind = fields.Choice("by", query.By, (AgeingKind?)AgeingKind.Account);
        var key = new AgeingKey(
            kind,
            kind == AgeingKind.Field ? InsightScope.Field("field", query.Field, book, fields) : ""
        );
        var scope = InsightScope.Read(query.Within, query.Currency, day, book, fields);
        var (page, size) = fields.Page(query.Page, query.PageSize, Usual, Most);
        fields.ThrowIfAny();
        return new(book, day, since, key, basis, own.By(basis), scope.Accounts, scope.IsWhole, page, size);
    }
}
