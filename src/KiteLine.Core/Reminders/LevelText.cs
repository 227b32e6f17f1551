namespace KiteLine.Core;

/// <summary>The texts of a reminder level in one language, as Liquid templates.</summary>
/// <param name="Language">A two-letter ISO 639 code; empty for the language of customers that have none of their
/// own.</param>
/// <param name="Subject">The subject line.</param>
/// <param name="Opening">The text above the items.</param>
/// <param name="Closing">The text below the items.</param>
public sealed record LevelText(string Language, string Subject, string Opening = "", string Closing = "");
