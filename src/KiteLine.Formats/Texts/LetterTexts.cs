using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>The texts of a reminder letter.</summary>
public static class LetterTexts
{
    /// <summary>What they may say.</summary>
    public static LiquidText Kind { get; } =
        new(
            new Dictionary<string, string>(StringComparer.Ordinal)
            {
                ["customer"] = "the customer's name",
                ["account"] = "the account's code",
                ["company"] = "the company's name",
                ["number"] = "the reminder's number",
                ["level"] = "the reminder's level",
                ["date"] = "the letter's date",
                ["pay_by"] = "the date to pay by",
                ["total"] = "the amount asked for, with its currency",
                ["overdue"] = "the overdue items alone, with their currency",
                ["items"] = "how many items are overdue",
                ["oldest_days"] = "days by which the oldest item is overdue",
                ["reference"] = "the reference to pay with",
            }
        );

    /// <summary>Fills a template for a letter.</summary>
    public static string Fill(string template, ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        var p = letter.Proposal;
        var currency = p.Fee.Currency;
        var overdue = p.Items.Aggregate(Money.Zero(currency), (sum, i) => sum + i.Open);
        return LiquidText.Fill(
            template,
            new Dictionary<string, object>(StringComparer.Ordinal)
            {
                ["customer"] = letter.To.Name,
                ["account"] = letter.To.AccountCode,
                ["company"] = letter.From.Name,
                ["number"] = letter.Number,
                ["level"] = $"{p.Level}",
                ["date"] = Exactly.Day(p.Date),
                ["pay_by"] = p.PayBy is { } by ? Exactly.Day(by) : "",
                ["total"] = LetterPdf.Figure(p.Total) + " " + currency.Code,
                ["overdue"] = LetterPdf.Figure(overdue) + " " + currency.Code,
                ["items"] = $"{p.Items.Count}",
                ["oldest_days"] = $"{p.Items.Select(i => i.DaysOverdue).DefaultIfEmpty().Max()}",
                ["reference"] = Pdf.Spaced(letter.PaymentReference),
            }
        );
    }
}
