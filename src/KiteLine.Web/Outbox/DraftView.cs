using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A message as it would go out, or as it was put into the outbox.</summary>
/// <param name="Id">Null where it was only shown.</param>
/// <param name="Recipients">Empty on paper.</param>
internal sealed record DraftView(
    long? Id,
    string Number,
    Delivery Delivery,
    string Recipients,
    string Subject,
    string Body
);
