using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A message as it would go out.</summary>
/// <param name="To">Empty on paper, as are subject and text.</param>
public sealed record DraftMessage(Delivery Delivery, IReadOnlyList<string> To, string Subject, string Body);
