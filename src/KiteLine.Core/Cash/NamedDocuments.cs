namespace KiteLine.Core;

/// <summary>
/// Finds the documents that a remittance text names. Case, spaces and separators do not matter; a number stands whole, so
/// that <c>INV-12</c> is not found in <c>INV-123</c>; a number of digits alone is not found in an amount or a date.
/// </summary>
public static class NamedDocuments
{
    /// <summary>The documents that are named, in the order of the list. Of numbers within each other the longest
    /// counts.</summary>
    /// <param name="documents">Document numbers; the same one may stand for several items.</param>
    public static IReadOnlyList<NamedDocument> In(string text, IReadOnlyList<string> documents)
    {
        ArgumentNullException.ThrowIfNull(text);
        ArgumentNullException.ThrowIfNull(documents);
        var read = new RemittanceText(text);
        if (read.Words.Count == 0 || documents.Count == 0)
            return [];
        var byNumber = Enumerable
            .Range(0, documents.Count)
            .Select(i => (Number: Plain(documents[i]), i))
            .Where(d => d.Number.Length > 0)
            .ToLookup(d => d.Number, d => d.i, StringComparer.Ordinal);
        var longest = Math.Max(CreditorReference.Longest, byNumber.Max(d => (int?)d.Key.Length) ?? 0);
        var (found, references) = (new List<Found>(), new List<(int First, int Last, string Body, bool Valid)>());
        foreach (var (joined, first, last) in read.Runs(longest))
        {
            if (CreditorReference.HasForm(joined))
                references.Add((first, last, joined[4..], CreditorReference.IsValid(joined)));
            if (byNumber.Contains(joined) && !(joined.All(char.IsAsciiDigit) && read.IsFigure(first, last)))
                found.Add(new(joined, first, last, ByReference: false));
        }

        // What stands in a reference that is right is its body and nothing else; one that is wrong does not name its body.
        found.RemoveAll(f =>
            references.Exists(r => r.First < f.First && f.Last <= r.Last && (r.Valid || r.Body == f.Number))
        );
        found.AddRange(
            references
                .Where(r => r.Valid && byNumber.Contains(r.Body))
                .Select(r => new Found(r.Body, r.First, r.Last, ByReference: true))
        );
        return
        [
            .. Longest(found)
                .SelectMany(f => byNumber[f.Number].Select(i => f.Of(i, read)))
                .DistinctBy(n => n.Item)
                .OrderBy(n => n.Item),
        ];
    }

    // Longer numbers than this are not looked for before it is known which there are.
    private const int LongestMayBe = 40;

    /// <summary>
    /// What of a text may be a document number: words next to each other, joined, with at least one digit; and the
    /// bodies of references that are right. In capitals, as <see cref="Plain"/> gives a number.
    /// </summary>
    public static IEnumerable<string> MayBe(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        foreach (var (joined, _, _) in new RemittanceText(text).Runs(LongestMayBe))
        {
            if (CreditorReference.IsValid(joined))
                yield return joined[4..];
            if (joined.Any(char.IsAsciiDigit))
                yield return joined;
        }
    }

    /// <summary>A document number as it is compared: its letters and digits, in capitals.</summary>
    public static string Plain(string document)
    {
        ArgumentNullException.ThrowIfNull(document);
        Span<char> plain = document.Length <= LongestMayBe ? stackalloc char[LongestMayBe] : new char[document.Length];
        var length = 0;
        foreach (var letter in document)
            if (char.IsLetterOrDigit(letter))
                plain[length++] = char.ToUpperInvariant(letter);
        return new string(plain[..length]);
    }

    private readonly record struct Found(string Number, int First, int Last, bool ByReference)
    {
        internal NamedDocument Of(int item, RemittanceText text) =>
            new(item, text.Words[First].From, text.Words[Last].To, ByReference);
    }

    private static List<Found> Longest(List<Found> found)
    {
        var kept = new List<Found>();
        foreach (var f in found.OrderByDescending(f => f.Number.Length).ThenBy(f => f.First))
            if (!kept.Exists(k => k.First <= f.Last && f.First <= k.Last))
                kept.Add(f);
        return kept;
    }
}
