namespace KiteLine.Core;

/// <summary>An item that a reminder asked for.</summary>
/// <param name="Document">The document's number, with the instalment where there are several.</param>
/// <param name="Open">What was open of it then.</param>
public sealed record PrintedReminderLine(string Document, DateOnly Date, DateOnly Due, Money Open);
