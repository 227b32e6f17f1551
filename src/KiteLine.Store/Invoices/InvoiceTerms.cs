using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>The terms under which an invoice is written.</summary>
/// <param name="Kept">Code or shorthand of the terms that the company keeps: the invoice says that it was made of
/// them.</param>
/// <param name="Own">What holds for this invoice alone; null where the kept terms do.</param>
/// <param name="Terms">What holds for it.</param>
internal sealed record InvoiceTerms(string Kept, TermsDefinition? Own, Terms Terms)
{
    /// <summary>
    /// Those asked for, or the usual ones. A shorthand that is none of the company's terms is for this invoice alone,
    /// and so are the terms with a one-off discount; what neither says is as in the usual terms.
    /// </summary>
    /// <param name="usual">The customer's, or those of the order.</param>
    /// <exception cref="RefusedException">Terms that cannot be read, or a discount that makes no sense.</exception>
    internal static InvoiceTerms Of(SqliteConnection connection, string usual, string? asked, OneOffDiscount? oneOff)
    {
        var kept = usual;
        TermsDefinition? own = null;
        var definition = Definition(connection, usual) ?? TermsDefinition.Checked(usual, field: "terms");
        if (asked is not null && Definition(connection, asked) is { } known)
            (kept, definition) = (asked, known);
        else if (asked is not null)
            own = TermsDefinition.Checked(asked, definition.Conditions, definition.Printed, "terms");
        if (oneOff is not null)
            own = (own ?? definition) with { Text = oneOff.On((own ?? definition).ToTerms()).ToString() };
        return new(kept, own, (own ?? definition).ToTerms());
    }

    /// <summary>Terms by their code or shorthand.</summary>
    internal static Terms Usual(SqliteConnection connection, string text) =>
        (Definition(connection, text) ?? TermsDefinition.Checked(text, field: "terms")).ToTerms();

    private static TermsDefinition? Definition(SqliteConnection connection, string code) =>
        PolicyStore.Find<TermsDefinition>(connection, PolicyKind.Terms, code.Trim())?.Definition;
}
