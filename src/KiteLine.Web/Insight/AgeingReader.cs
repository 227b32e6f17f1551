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
        var key = new AgeingKey(kind, kind == AgeingKind.Field ? Field("field", query.Field, book, fields) : "");
        var within = string.IsNullOrEmpty(query.Within) ? null : Within(query.Within, book, fields);
        var currency = string.IsNullOrEmpty(query.Currency) ? null : fields.Currency("currency", query.Currency);
        var (page, size) = fields.Page(query.Page, query.PageSize, Usual, Most);
        fields.ThrowIfAny();
        return new(
            book,
            day,
            since,
            key,
            basis,
            own.By(basis),
            within is null && currency is null
                ? book.Accounts
                :
                [
                    .. book.Accounts.Where(a =>
                        (within is not { } w || w.Key.Is(a, w.Value))
                        && (currency is null || ReferenceEquals(a.Currency, currency))
                    ),
                ],
            within is null && currency is null,
            page,
            size
        );
    }

    private static (AgeingKey Key, string Value)? Within(string within, BookSnapshot book, Fields fields)
    {
        var at = within.IndexOf(':', StringComparison.Ordinal);
        if (at < 0)
        {
            fields.Bad("within", "Give a kind and a value, such as owner:Ann, group:, or field.region:Estuary.");
            return null;
        }

        var (name, value) = (within[..at], within[(at + 1)..]);
        if (name.StartsWith("field.", StringComparison.Ordinal))
            return (new(AgeingKind.Field, Field("within", name["field.".Length..], book, fields)), value);
        var kind = fields.Choice<AgeingKind>("within", name);
        if (kind == AgeingKind.Field)
            fields.Bad("within", "Name the field, such as field.region:Estuary.");
        return (new(kind), value);
    }

    private static string Field(string at, string? key, BookSnapshot book, Fields fields)
    {
        if (book.Settings.CustomerFields.FirstOrDefault(f => f.Key == key) is { } known)
            return known.Key;
        fields.Bad(
            at,
            book.Settings.CustomerFields.Count == 0
                ? "The company has no fields of its own."
                : $"Choose one of the company's fields: {string.Join(", ", book.Settings.CustomerFields.Select(f => f.Key))}."
        );
        return "";
    }
}
