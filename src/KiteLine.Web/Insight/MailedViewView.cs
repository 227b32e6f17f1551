using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>A view that goes out by itself.</summary>
/// <param name="LastOn">The day on which it went last by itself.</param>
internal sealed record MailedViewView(
    long Id,
    string Name,
    MailedReport Report,
    string Query,
    string Format,
    string Recipients,
    RunRhythm Rhythm,
    int Number,
    DateOnly? LastOn,
    string MadeBy,
    string MadeAt
)
{
    internal static MailedViewView Of(StoredMailedView v) =>
        new(
            v.Id,
            v.View.Name,
            v.View.Report,
            v.View.Query,
            v.View.Format,
            v.View.Recipients,
            v.View.Timing.Rhythm,
            v.View.Timing.Number,
            v.LastOn,
            v.MadeBy,
            v.MadeAt
        );
}
