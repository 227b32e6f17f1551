using KiteLine.Core;

namespace KiteLine.Formats;

/// <summary>What stands in an e-mail that was received.</summary>
/// <param name="Text">Without markup; empty for none.</param>
public sealed record ReceivedMessage(
    string MessageId,
    string From,
    string To,
    string Subject,
    string Text,
    DateTimeOffset Date,
    IReadOnlyList<MessageFile> Files
);
