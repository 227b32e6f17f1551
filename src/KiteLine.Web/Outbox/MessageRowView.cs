using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A message of the outbox in a line.</summary>
/// <param name="Detail">What its last step says, such as why it failed.</param>
/// <param name="At">When its last step was.</param>
/// <param name="DueAt">When it is tried next; null where it is not.</param>
internal sealed record MessageRowView(
    long Id,
    string Account,
    string Name,
    MessagePurpose Purpose,
    string Number,
    Delivery Delivery,
    string Recipients,
    MessageState State,
    string Detail,
    string At,
    string? DueAt
)
{
    internal static MessageRowView Of(StoredMessage m) =>
        new(
            m.Id,
            m.Account,
            m.Name,
            m.Purpose,
            m.Number,
            m.Delivery,
            m.Recipients,
            m.State,
            m.Detail,
            m.LastAt,
            m.State == MessageState.Waiting ? m.DueAt : null
        );
}
