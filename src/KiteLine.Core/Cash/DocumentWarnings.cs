namespace KiteLine.Core;

/// <summary>
/// Names what is unusual about an invoice, a credit note or a receipt before it is posted: that it was likely posted before,
/// or that its date is far from the business date.
/// </summary>
public static class DocumentWarnings
{
    /// <summary>A document dated more than so many days back is unusual.</summary>
    public const int DocumentDays = 60;

    /// <summary>A value date more than so many days back is unusual.</summary>
    public const int ValueDateDays = 30;

    // One names the matter; a customer who always pays the same sum would fill a page.
    private const int MostNamed = 3;

    /// <summary>Everything that is to be named about a document.</summary>
    /// <param name="kind">An invoice, a credit note or a receipt; of others nothing is named.</param>
    /// <param name="date">Its date; of a receipt its value date.</param>
    /// <param name="gross">With tax.</param>
    /// <param name="earlier">Documents of the same customer that stand, the latest first.</param>
    /// <param name="today">The business date.</param>
    public static IReadOnlyList<DocumentWarning> Of(
        ItemKind kind,
        DateOnly date,
        Money gross,
        string reference,
        IEnumerable<EarlierDocument> earlier,
        DateOnly today
    )
    {
        ArgumentNullException.ThrowIfNull(reference);
        ArgumentNullException.ThrowIfNull(earlier);
        return kind is ItemKind.Invoice or ItemKind.CreditNote or ItemKind.Receipt
            ? [.. OfDate(kind, date, today), .. Duplicates(kind, date, gross, reference, earlier)]
            : [];
    }

    /// <summary>The same without its date, as of a document that was open before the books began.</summary>
    public static IReadOnlyList<DocumentWarning> LikelyDuplicates(
        ItemKind kind,
        DateOnly date,
        Money gross,
        string reference,
        IEnumerable<EarlierDocument> earlier
    )
    {
        ArgumentNullException.ThrowIfNull(reference);
        ArgumentNullException.ThrowIfNull(earlier);
        return [.. Duplicates(kind, date, gross, reference, earlier)];
    }

    /// <summary>Whether its date is unusual.</summary>
    public static IEnumerable<DocumentWarning> OfDate(ItemKind kind, DateOnly date, DateOnly today)
    {
        var back = today.DayNumber - date.DayNumber;
        var (what, most) = kind == ItemKind.Receipt ? ("value date", ValueDateDays) : ("date", DocumentDays);
        if (back > most)
            yield return new(
                DocumentWarning.UnusualDate,
                $"The {what}, {Exactly.Day(date)}, lies {back} days before the business date, {Exactly.Day(today)}."
            );
        else if (back < 0)
            yield return new(
                DocumentWarning.UnusualDate,
                $"The {what}, {Exactly.Day(date)}, lies after the business date, {Exactly.Day(today)}."
            );
    }

    private static IEnumerable<DocumentWarning> Duplicates(
        ItemKind kind,
        DateOnly date,
        Money gross,
        string reference,
        IEnumerable<EarlierDocument> earlier
    )
    {
        var mine = NamedDocuments.Plain(reference);
        return earlier
            .Where(e => e.Kind == kind && e.Gross == gross)
            .Select(e => (Of: e, SameReference: mine.Length > 0 && NamedDocuments.Plain(e.Reference) == mine))
            .Where(e => e.SameReference || e.Of.Date == date)
            .Take(MostNamed)
            .Select(e => new DocumentWarning(
                DocumentWarning.LikelyDuplicate,
                $"{e.Of.Number} of {Exactly.Day(e.Of.Date)} has the same amount, {e.Of.Gross}, and the same "
                    + (e.SameReference ? $"reference, {e.Of.Reference}." : "day."),
                e.Of.Number
            ));
    }
}
