using Fluid;
using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>The texts of a reminder letter, written as Liquid templates.</summary>
public static class LetterTexts
{
    private static readonly FluidParser Parser = new();

    // Fields a template may use, with what each stands for.
    private static readonly Dictionary<string, string> Known = new(StringComparer.Ordinal)
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
    };

    /// <summary>The fields that templates may use, with what each stands for.</summary>
    public static IReadOnlyDictionary<string, string> Fields => Known;

    /// <summary>What is wrong with a template, as a sentence that names the fields there are; null when it is sound.</summary>
    public static string? Problem(string template)
    {
        if (!Parser.TryParse(template, out var parsed, out var error)) return $"The text cannot be read: {error}.";
        var unknown = new List<string>();
        var options = new TemplateOptions
        {
            Undefined = name =>
            {
                unknown.Add(name);
                return ValueTask.FromResult<Fluid.Values.FluidValue>(Fluid.Values.NilValue.Instance);
            },
        };
        _ = parsed.Render(Context(Known.Keys.ToDictionary(k => k, _ => "x", StringComparer.Ordinal), options));
        return unknown.Count == 0 ? null : $"There is no field ‘{unknown[0]}’. Known fields: {string.Join(", ", Known.Keys)}.";
    }

    /// <summary>Fills a template for a letter.</summary>
    public static string Fill(string template, ReminderLetter letter)
    {
        ArgumentNullException.ThrowIfNull(letter);
        var p = letter.Proposal;
        var currency = p.Fee.Currency;
        var overdue = p.Items.Aggregate(Money.Zero(currency), (sum, i) => sum + i.Open);
        var parsed = Parser.Parse(template);
        return parsed.Render(Context(new Dictionary<string, string>(StringComparer.Ordinal)
        {
            ["customer"] = letter.CustomerName,
            ["account"] = letter.AccountCode,
            ["company"] = letter.CompanyName,
            ["number"] = letter.Number,
            ["level"] = $"{p.Level}",
            ["date"] = Exactly.Day(p.Date),
            ["pay_by"] = p.PayBy is { } by ? Exactly.Day(by) : "",
            ["total"] = LetterPdf.Figure(p.Total) + " " + currency.Code,
            ["overdue"] = LetterPdf.Figure(overdue) + " " + currency.Code,
            ["items"] = $"{p.Items.Count}",
            ["oldest_days"] = $"{p.Items.Select(i => i.DaysOverdue).DefaultIfEmpty().Max()}",
        }));
    }

    private static TemplateContext Context(Dictionary<string, string> values, TemplateOptions? options = null)
    {
        var context = new TemplateContext(options ?? new TemplateOptions());
        foreach (var (name, value) in values) context.SetValue(name, value);
        return context;
    }
}
