using KiteLine.Core;

namespace KiteLine.Web;

/// <param name="Messages">Identifiers of messages that were printed.</param>
internal sealed record PrintedRequest([property: MostEntries(PrintedRequest.Most)] IReadOnlyList<long>? Messages)
{
    internal const int Most = 500;
}
