namespace KiteLine.Formats;

/// <summary>A CSV file that cannot be read at all. The message is fit to be shown to a user.</summary>
public sealed class CsvException(string message) : Exception(message);
