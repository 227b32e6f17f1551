using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Which accounts a question of Insight is about.</summary>
/// <param name="IsWhole">Whether it is about all.</param>
/// <param name="Words">In words.</param>
internal sealed record InsightScope(BookAccount[] Accounts, bool IsWhole, string Words)
{
    /// <param name="within">A kind and a value, such as <c>owner:Ann</c>, <c>group:</c> for those in none, or
    /// <c>field.region:Estuary</c>.</param>
    /// <param name="currency">Only accounts in it.</param>
    /// <param name="day">The day whose groups count.</param>
    internal static InsightScope Read(string? within, string? currency, DateOnly day, BookSnapshot book, Fields fields)
    {
        var asked = string.IsNullOrEmpty(within) ? null : Within(within, book, fields);
        var only = string.IsNullOrEmpty(currency) ? null : fields.Currency("currency", currency);
        if (asked is null && only is null)
            return new(book.Accounts, true, "all accounts");
        var words = asked is { } a ? $"{Name(a.Key, book)} {(a.Value.Length == 0 ? "none" : a.Value)}" : "accounts";
        return new(
            [
                .. book.Accounts.Where(a =>
                    (asked is not { } w || w.Key.Is(a, w.Value, day))
                    && (only is null || ReferenceEquals(a.Currency, only))
                ),
            ],
            false,
            only is null ? words : $"{words}, in {only.Code}"
        );
    }

    /// <summary>What a key is called.</summary>
    internal static string Name(AgeingKey key, BookSnapshot book) =>
        key.Kind switch
        {
            AgeingKind.Account => "Account",
            AgeingKind.Group => "Group",
            AgeingKind.Owner => "Owner",
            AgeingKind.ControlGroup => "Control group",
            AgeingKind.CustomerType => "Customer type",
            AgeingKind.Terms => "Terms",
            AgeingKind.Currency => "Currency",
            AgeingKind.Field => book.Settings.CustomerFields.FirstOrDefault(f => f.Key == key.Field)?.Name ?? key.Field,
            _ => throw new ArgumentOutOfRangeException(nameof(key), key.Kind, null),
        };

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

    internal static string Field(string at, string? key, BookSnapshot book, Fields fields)
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
