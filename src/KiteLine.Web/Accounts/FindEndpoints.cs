using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Finding accounts and documents by a part of any of their details.</summary>
internal static class FindEndpoints
{
    internal static void MapFind(this RouteGroupBuilder api)
    {
        api.MapGet("/find", (string q, Desk desk) => desk.Books.Read(c => FindStore.Find(c, q)))
            .WithTags("Accounts")
            .By(Role.Viewer)
            .WithName("find")
            .WithSummary("Accounts and documents that hold a text");
    }
}
