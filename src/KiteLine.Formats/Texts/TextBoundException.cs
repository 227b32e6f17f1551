namespace KiteLine.Formats;

/// <summary>Filling a template would take more than it may. The message is fit to be shown to a user.</summary>
public sealed class TextBoundException(string message) : Exception(message);
