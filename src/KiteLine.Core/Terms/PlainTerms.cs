using System.Globalization;
using System.Text.RegularExpressions;

namespace KiteLine.Core;

/// <summary>
/// Reads terms that stand on an invoice in words, such as "2 % discount within 10 days, 30 days net". What is written in
/// the shorthand, or in the lines that electronic invoices carry, is read as such.
/// </summary>
/// <param name="Instalments">When it is due; empty where the text does not say.</param>
/// <param name="Discounts">Early-payment discounts; possibly none.</param>
public sealed partial record PlainTerms(
    IReadOnlyList<Instalment> Instalments,
    IReadOnlyList<DiscountStep> Discounts,
    PaymentMoment Moment = PaymentMoment.OnAccount
)
{
    // Longer texts are no terms.
    private const int Longest = 1_000;

    [GeneratedRegex(
        @"(?<percent>\d{1,2}([.,]\d{1,4})?)\s*(%|percent|per cent)[^%\d]{0,60}?(?<days>\d{1,3})\s*days?",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
        matchTimeoutMilliseconds: 200
    )]
    private static partial Regex Discount();

    [GeneratedRegex(
        @"(net\D{0,12}(?<days>\d{1,3})\b)|((?<days>\d{1,3})\s*days?)",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
        matchTimeoutMilliseconds: 200
    )]
    private static partial Regex Net();

    [GeneratedRegex(@"(?<day>\d{4}-\d{2}-\d{2})", RegexOptions.CultureInvariant, matchTimeoutMilliseconds: 200)]
    private static partial Regex Day();

    /// <summary>What the text says, or null where nothing of it can be read as terms.</summary>
    /// <param name="date">The invoice date: a due date that the text names is counted from it.</param>
    public static PlainTerms? Read(string text, DateOnly date)
    {
        ArgumentNullException.ThrowIfNull(text);
        if (text.Trim() is not { Length: > 0 and <= Longest } known)
            return null;
        var lines = known.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        var coded = string.Join(' ', lines.Where(l => l.StartsWith('#')));
        var words = string.Join(' ', lines.Where(l => !l.StartsWith('#')));
        try
        {
            var steps = coded.Length > 0 && Shorthand.TryRead(coded, out _) is { } read ? read.Discounts : [];
            var said = words.Length == 0 ? null : InShorthand(words) ?? InWords(words, date);
            return said is null
                ? steps.Count > 0
                    ? new([], steps)
                    : null
                : said with
                {
                    Discounts = steps.Count > 0 ? steps : said.Discounts,
                };
        }
        catch (Exception e) when (e is TermsException or RegexMatchTimeoutException)
        {
            return null;
        }
    }

    private static PlainTerms? InShorthand(string words) =>
        Shorthand.TryRead(words, out _) is { } terms ? new(terms.Instalments, terms.Discounts, terms.Moment) : null;

    private static PlainTerms? InWords(string words, DateOnly date)
    {
        DiscountStep[] steps =
        [
            .. Discount()
                .Matches(words)
                .Select(m => new DiscountStep(
                    new DiscountValue.Percent(Number(m.Groups["percent"].Value)),
                    DueRule.AfterInvoice(Days(m))
                )),
        ];
        var rest = Discount().Replace(words, " ");
        var net = Net().Match(rest);
        int? days =
            Day().Match(rest) is { Success: true } named && DayText.TryRead(named.Value, out var due) && due >= date
                ? due.DayNumber - date.DayNumber
            : net.Success ? Days(net)
            : null;
        return days is { } until ? new([new(new InstalmentShare.Remainder(), DueRule.AfterInvoice(until))], steps)
            : steps.Length > 0 ? new([], steps)
            : null;
    }

    private static int Days(Match m) => int.Parse(m.Groups["days"].Value, CultureInfo.InvariantCulture);

    private static decimal Number(string text) =>
        decimal.Parse(text.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture);
}
