namespace KiteLine.Core;

/// <summary>One thing that needs a decision.</summary>
/// <param name="Key">What it is about; the same as long as the thing is the same.</param>
/// <param name="About">The account's code or the group's name.</param>
/// <param name="AtRisk">The money it is about, in the account's currency.</param>
/// <param name="AtRiskAtHome">The same in the base currency, by which entries are ranked; as it is where a rate of the
/// day is missing.</param>
/// <param name="Number">The order or request it is about, where there is one.</param>
public sealed record TodayEntry(
    TodayKind Kind,
    string Key,
    string About,
    string Name,
    string Owner,
    bool OfGroup,
    string Text,
    Money AtRisk,
    decimal AtRiskAtHome,
    DateOnly? On,
    long? Number
)
{
    /// <summary>An entry about an account.</summary>
    internal static TodayEntry Of(
        BookAccount account,
        TodayKind kind,
        string key,
        string text,
        Money atRisk,
        decimal atHome,
        DateOnly? on,
        long? number
    ) => new(kind, key, account.Code, account.Name, account.Owner, false, text, atRisk, atHome, on, number);
}
