namespace KiteLine.Core;

/// <summary>What the company writes in its e-mails of one purpose, to customers of one language.</summary>
/// <param name="Language">As on the customer's record; empty for every customer of another language.</param>
public sealed record MessageTemplate(MessagePurpose Purpose, string Language, string Subject, string Body)
{
    /// <summary>How many a company keeps: ten languages of every purpose.</summary>
    public const int Most = 70;

    /// <summary>
    /// The text for a customer: in its language, else the company's for every language, else the usual one.
    /// </summary>
    public static MessageText For(IReadOnlyList<MessageTemplate> templates, MessagePurpose purpose, string language)
    {
        ArgumentNullException.ThrowIfNull(templates);
        var own =
            templates.FirstOrDefault(t => t.Purpose == purpose && t.Language == language)
            ?? templates.FirstOrDefault(t => t.Purpose == purpose && t.Language.Length == 0);
        return own is null ? MessageText.Usual(purpose) : new(own.Subject, own.Body);
    }

    /// <summary>What is wrong with a company's texts beside their fields, by the place in the list.</summary>
    public static IEnumerable<(int At, string Field, string Message)> Problems(IReadOnlyList<MessageTemplate> templates)
    {
        ArgumentNullException.ThrowIfNull(templates);
        for (var i = 0; i < templates.Count; i++)
        {
            var t = templates[i];
            if (t.Language.Length > 0 && !(t.Language.Length == 2 && t.Language.All(char.IsAsciiLetterLower)))
                yield return (
                    i,
                    "language",
                    "Give a language in two letters, such as de, or nothing for every other one."
                );
            if (string.IsNullOrWhiteSpace(t.Subject))
                yield return (i, "subject", "Give the subject of the e-mail.");
            if (t.Subject.Contains('\n', StringComparison.Ordinal))
                yield return (i, "subject", "A subject is one line.");
            if (string.IsNullOrWhiteSpace(t.Body))
                yield return (i, "body", "Give the text of the e-mail.");
            if (templates.Take(i).Any(o => (o.Purpose, o.Language) == (t.Purpose, t.Language)))
                yield return (i, "language", "There is a text for this purpose and language already.");
        }
    }
}
