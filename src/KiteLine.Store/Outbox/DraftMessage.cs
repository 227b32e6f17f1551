namespace KiteLine.Store;

/// <summary>Subject and text of a message as it would go out; empty on paper.</summary>
public sealed record DraftMessage(string Subject, string Body);
