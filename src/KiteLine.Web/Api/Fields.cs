using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// Reads the fields of a request and collects everything that is wrong with them, so that one answer names all.
/// </summary>
internal sealed class Fields
{
    private readonly List<FieldProblem> _problems = [];

    internal void Bad(string field, string message) => _problems.Add(new(field, message));

    internal DateOnly Date(string field, string? value)
    {
        if (DayText.TryRead(value, out var date))
            return date;
        Bad(field, "Give a date as year-month-day, such as 2026-03-16.");
        return new DateOnly(2000, 1, 1);
    }

    internal DateOnly? OptionalDate(string field, string? value) =>
        string.IsNullOrWhiteSpace(value) ? null : Date(field, value);

    /// <summary>The one day that a question is about: as given, or another where it is left out.</summary>
    /// <exception cref="RefusedException">It is no date.</exception>
    internal static DateOnly Day(string field, string? value, DateOnly otherwise)
    {
        var fields = new Fields();
        var day = fields.OptionalDate(field, value) ?? otherwise;
        fields.ThrowIfAny();
        return day;
    }

    internal Currency Currency(string field, string? value)
    {
        if (Core.Currency.TryOf(value, out var currency))
            return currency;
        Bad(field, "Give an ISO 4217 currency code, such as GBP.");
        return Core.Currency.Of("GBP");
    }

    /// <summary>An amount that is exact to the minor unit; negative only where allowed.</summary>
    internal Money Money(string field, string? value, Currency currency, bool signed = false)
    {
        var amount = Number(field, value, signed ? -Bounds.Amount : 0, Bounds.Amount, "an amount such as 1176.00");
        if (currency.Fits(amount))
            return Core.Money.Exact(amount, currency);
        Bad(field, $"Give at most {currency.Decimals} decimals for {currency.Code}.");
        return Core.Money.Zero(currency);
    }

    internal Money OptionalMoney(string field, string? value, Currency currency) =>
        string.IsNullOrWhiteSpace(value) ? Core.Money.Zero(currency) : Money(field, value, currency);

    internal decimal? OptionalNumber(string field, string? value, decimal least, decimal most, string wanted) =>
        string.IsNullOrWhiteSpace(value) ? null : Number(field, value, least, most, wanted);

    internal decimal Number(string field, string? value, decimal least, decimal most, string wanted)
    {
        if (!AmountText.TryRead(value, out var number))
        {
            Bad(field, $"Give {wanted}.");
            return 0;
        }

        if (number >= least && number <= most)
            return number;
        Bad(
            field,
            number < least
                ? $"Give {wanted}, {(least == 0 ? "not negative" : $"at least {Exactly.Plain(least)}")}."
                : $"Give {wanted}, at most {Exactly.Plain(most)}."
        );
        return 0;
    }

    internal string Text(string field, string? value, string wanted, int longest = 200)
    {
        var text = value?.Trim() ?? "";
        if (text.Length == 0)
            Bad(field, $"Give {wanted}.");
        if (text.Length > longest)
            Bad(field, $"Give {wanted}, at most {longest} characters.");
        return text;
    }

    /// <summary>Which part of a list is asked for.</summary>
    /// <param name="most">The most entries a page may have.</param>
    internal (int Page, int Size) Page(int? page, int? size, int usual, int most)
    {
        if (page is < 1 or > Bounds.Pages)
            Bad("page", $"Pages count from 1 to {Bounds.Pages:N0}.");
        if (size < 1 || size > most)
            Bad("pageSize", $"A page has 1 to {most:N0} rows.");
        return (page ?? 1, size ?? usual);
    }

    /// <summary>One of the values of an enumeration, by its name in camel case.</summary>
    internal T Choice<T>(string field, string? value, T? fallback = null)
        where T : struct, Enum
    {
        if (string.IsNullOrWhiteSpace(value) && fallback is { } given)
            return given;
        foreach (var choice in Enum.GetValues<T>())
            if (string.Equals(Name(choice), value, StringComparison.Ordinal))
                return choice;
        Bad(field, $"Choose one of {string.Join(", ", Enum.GetValues<T>().Select(Name))}.");
        return default;
    }

    internal static string Name<T>(T choice)
        where T : struct, Enum => Camel(choice.ToString());

    /// <summary>The name of a choice as the interface writes it.</summary>
    internal static string Camel(string name) => char.ToLowerInvariant(name[0]) + name[1..];

    internal void ThrowIfAny()
    {
        if (_problems.Count > 0)
            throw new RefusedException(_problems);
    }
}
