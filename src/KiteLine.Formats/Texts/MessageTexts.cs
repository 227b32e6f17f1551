namespace KiteLine.Formats;

/// <summary>The subject and the text of e-mails.</summary>
public static class MessageTexts
{
    /// <summary>What they may say.</summary>
    public static LiquidText Kind { get; } =
        new(
            new Dictionary<string, string>(StringComparer.Ordinal)
            {
                ["customer"] = "the customer's name",
                ["account"] = "the account's code",
                ["company"] = "the company's name",
                ["number"] = "the document's number",
                ["date"] = "the document's date",
                ["amount"] = "what the document comes to, with its currency",
                ["due"] = "the day to pay by; empty where there is none",
            }
        );
}
