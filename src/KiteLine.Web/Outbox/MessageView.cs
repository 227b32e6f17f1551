using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A message with what it says and what happened to it.</summary>
/// <param name="Acts">What may be done about it now.</param>
/// <param name="Files">What it brought; empty before it went out.</param>
internal sealed record MessageView(
    MessageRowView Message,
    string Subject,
    string Body,
    string MessageId,
    string MadeBy,
    string MadeAt,
    int Tries,
    IReadOnlyList<MessageAct> Acts,
    IReadOnlyList<MessageStepView> Steps,
    IReadOnlyList<MessageFileView> Files
);
