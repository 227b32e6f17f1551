using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

internal sealed record AuditEntry(
    long Id,
    string At,
    string Who,
    string Action,
    IReadOnlyList<AuditChange> Changes,
    string Reason
)
{
    internal static List<AuditEntry> Of(IEnumerable<AuditRow> rows) =>
        [.. rows.Select(r => new AuditEntry(r.Id, r.At, r.Who, r.Action, AuditWords.Of(r.Detail), r.Reason))];
}
