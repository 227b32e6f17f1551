namespace KiteLine.Core;

/// <summary>A message as a mail server is given it.</summary>
/// <param name="MessageId">Its identification for all time, without brackets: by it a server knows one that it has
/// taken already.</param>
public sealed record OutgoingMessage(
    string MessageId,
    string FromName,
    string FromAddress,
    IReadOnlyList<string> To,
    string Subject,
    string Body,
    DateTimeOffset Date,
    IReadOnlyList<MessageFile> Files
);
