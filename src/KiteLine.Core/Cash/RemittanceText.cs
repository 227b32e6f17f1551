using System.Text.RegularExpressions;

namespace KiteLine.Core;

/// <summary>
/// What a payer wrote, cut into words of letters and digits. Whatever stands between them (spaces, hyphens, points,
/// strokes) may stand or be missing in a document number.
/// </summary>
internal sealed partial class RemittanceText
{
    private readonly List<Word> _words = [];
    private readonly string _text;

    // Looked for only when a number of digits alone was found, which is seldom.
    private List<(int From, int To)>? _figures;

    /// <summary>One word in capitals, with where it stands.</summary>
    internal readonly record struct Word(string Text, int From, int To);

    internal RemittanceText(string text)
    {
        _text = text;
        for (var at = 0; at < text.Length; )
        {
            var from = at;
            while (at < text.Length && char.IsLetterOrDigit(text[at]))
                at++;
            if (at > from)
                _words.Add(new(text[from..at].ToUpperInvariant(), from, at));
            else
                at++;
        }
    }

    internal IReadOnlyList<Word> Words => _words;

    /// <summary>
    /// Words next to each other as one, each run of them that is not longer than this: what stands between them does not
    /// count.
    /// </summary>
    internal IEnumerable<(string Joined, int First, int Last)> Runs(int longest)
    {
        for (var first = 0; first < _words.Count; first++)
        {
            var joined = "";
            for (var last = first; last < _words.Count; last++)
            {
                joined += _words[last].Text;
                if (joined.Length > longest)
                    break;
                yield return (joined, first, last);
            }
        }
    }

    /// <summary>Whether words are part of an amount of money or a date, in which no number of digits alone is found.</summary>
    /// <param name="last">The last of them.</param>
    internal bool IsFigure(int first, int last)
    {
        var (from, to) = (_words[first].From, _words[last].To);
        _figures ??= Figures(_text);
        return _figures.Exists(f => f.From < to && from < f.To);
    }

    private static List<(int From, int To)> Figures(string text) =>
        [
            .. new[] { Dates(), Decimals(), Thousands(), WithSymbol(), AfterCode(), BeforeCode() }
                .SelectMany(kind => kind.Matches(text))
                .Select(found => (found.Index, found.Index + found.Length)),
        ];

    // 10.02.2026, 10/2/26, 2026-02-10; also with a space after each point; 10 Feb 2026 in English and German.
    [GeneratedRegex(
        @"(?<![\p{L}\d])(?:(?:[0-3]?\d)[./-] ?(?:[0-3]?\d)[./-] ?(?:\d{4}|\d{2})|\d{4}[./-](?:[01]?\d)[./-](?:[0-3]?\d)"
            + @"|[0-3]?\d(?:st|nd|rd|th|\.)? ?(?:jan|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)\p{L}*\.?"
            + @"(?: ?(?:\d{4}|\d{2}))?)(?![\p{L}\d])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Dates();

    // 1501.20 and 1.501,20 and 1 501.20: two digits after a point or comma and no third.
    [GeneratedRegex(@"(?<![\p{L}\d])(?:\d{1,3}(?:[.,' ]\d{3})+|\d+)[.,]\d{2}(?![\p{L}\d]|[.,]\d)")]
    private static partial Regex Decimals();

    // 1,501 and 1.501.200, without decimals.
    [GeneratedRegex(@"(?<![\p{L}\d]|\d[.,])\d{1,3}(?:[.,']\d{3})+(?![\p{L}\d]|[.,]\d)")]
    private static partial Regex Thousands();

    [GeneratedRegex(@"[£$€¥] ?\d[\d.,']*|\d[\d.,']* ?[£$€¥]")]
    private static partial Regex WithSymbol();

    // EUR 1501, but not the name of a series of documents.
    [GeneratedRegex(
        @"(?<![\p{L}\d])(?:AUD|CAD|CHF|CZK|DKK|EUR|GBP|HUF|JPY|NOK|NZD|PLN|SEK|USD) ?\d[\d.,']*(?![\p{L}\d])",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex AfterCode();

    // 1501 EUR, where no amount comes after the code.
    [GeneratedRegex(
        @"(?<![\p{L}\d])\d[\d.,']* ?(?:AUD|CAD|CHF|CZK|DKK|EUR|GBP|HUF|JPY|NOK|NZD|PLN|SEK|USD)(?![\p{L}\d])(?! ?\d)",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex BeforeCode();
}
