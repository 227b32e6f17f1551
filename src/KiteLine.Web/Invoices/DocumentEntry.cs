using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What is seen of an electronic invoice or credit note; a credit note's amounts are positive.</summary>
/// <param name="File">The file it stands in.</param>
/// <param name="Account">Null where no account is found.</param>
/// <param name="Due">Of several instalments the last; null where nothing says when.</param>
/// <param name="Problems">Empty where it can be stored.</param>
/// <param name="Findings">What is named before it is stored: a likely duplicate, an unusual date.</param>
internal sealed record DocumentEntry(
    string File,
    string Number,
    ItemKind Kind,
    string? Account,
    DateOnly? Date,
    DateOnly? Due,
    string? Net,
    string? Tax,
    string? Gross,
    IReadOnlyList<string> Problems,
    IReadOnlyList<WarningView> Findings
)
{
    internal static DocumentEntry Of(
        ReceivedDocumentReader.Seen seen,
        string file,
        IReadOnlyList<DocumentWarning>? warnings = null
    )
    {
        var d = seen.Document;
        string Amount(decimal amount) =>
            seen.Currency is { } currency && currency.Fits(amount)
                ? $"{Money.Exact(amount, currency)}"
                : Exactly.Plain(amount);
        return new(
            file,
            d.Number,
            d.Kind,
            seen.Account?.Code,
            d.Date,
            seen.Due,
            Amount(d.Totals.Net),
            Amount(d.Totals.Tax),
            Amount(d.Totals.Gross),
            seen.Problems,
            [.. (warnings ?? []).Select(WarningView.Of)]
        );
    }

    /// <summary>A file that cannot be read at all.</summary>
    internal static DocumentEntry Unreadable(string file, string problem) =>
        new(file, "", ItemKind.Invoice, null, null, null, null, null, null, [problem], []);
}
