using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record AttachmentView(
    long Id,
    string Name,
    string MediaType,
    long Size,
    string Note,
    string AddedBy,
    string AddedAt
)
{
    internal static AttachmentView Of(Attachment a) =>
        new(a.Id, a.Name, a.MediaType, a.Size, a.Note, a.AddedBy, a.AddedAt);
}
