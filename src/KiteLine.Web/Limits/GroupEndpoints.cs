using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Groups of accounts with a limit of their own.</summary>
internal static class GroupEndpoints
{
    internal static void MapGroups(this RouteGroupBuilder api)
    {
        var groups = api.MapGroup("/groups").WithTags("Limits");
        groups
            .MapGet(
                "/",
                ([AsParameters] BoardQuery query, Desk desk) =>
                {
                    var versions = desk.Books.Read(GroupStore.All).ToDictionary(g => g.Name, g => g.Version);
                    var (_, buckets, found) = GroupReader.Find(query, desk);
                    return found
                        .Select(f =>
                            GroupRow.Of(
                                f.Position,
                                versions.GetValueOrDefault(f.Position.Group.Name),
                                buckets,
                                f.Matching,
                                f.Change
                            )
                        )
                        .ToList();
                }
            )
            .By(Role.Viewer)
            .WithName("listGroups")
            .WithSummary(
                "Groups with exposure and limit on a day; with conditions of the board those that have an account "
                    + "which holds to them"
            )
            .ProducesProblem(400);
        api.MapGet(
                "/group-export",
                (string? format, [AsParameters] BoardQuery query, Desk desk) => GroupReader.Export(format, query, desk)
            )
            .WithTags("Limits")
            .By(Role.Viewer)
            .Heavy()
            .WithName("exportGroups")
            .WithSummary("Groups as CSV or XLSX")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400);
        groups
            .MapGet(
                "/{name}",
                (string name, string? asOf, Desk desk, HttpContext context) =>
                    GroupReader.View(name, GroupReader.Day(asOf, desk), desk, context.Who())
            )
            .By(Role.Viewer)
            .WithName("getGroup")
            .WithSummary("One group: its accounts, limit history, workings and course")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/",
                (GroupRequest request, Desk desk, HttpContext context) =>
                {
                    var fields = new Fields();
                    var name = fields.Text("name", request.Name, "the group's name", 100);
                    var currency = string.IsNullOrWhiteSpace(request.Currency)
                        ? null
                        : fields.Currency("currency", request.Currency);
                    fields.ThrowIfAny();
                    return desk.Write(
                        context,
                        tx =>
                        {
                            var group = GroupStore.Add(tx, name, currency, request.Parent ?? "");
                            return GroupReader.View(tx, group.Name);
                        }
                    );
                }
            )
            .By(Role.Controller)
            .WithName("addGroup")
            .WithSummary("Adds a group")
            .ProducesProblem(400);
        groups
            .MapPut(
                "/{name}",
                (string name, GroupRequest request, Desk desk, HttpContext context) =>
                {
                    var version = context.Version();
                    return desk.Write(
                        context,
                        tx =>
                        {
                            var before = GroupStore.Get(tx.Connection, name);
                            var fields = new Fields();
                            var currency = string.IsNullOrWhiteSpace(request.Currency)
                                ? before.Currency
                                : fields.Currency("currency", request.Currency);
                            fields.ThrowIfAny();
                            GroupStore.Change(
                                tx,
                                name,
                                currency,
                                request.Parent ?? before.Parent,
                                version,
                                request.Reason ?? ""
                            );
                            return GroupReader.View(tx, before.Name);
                        }
                    );
                }
            )
            .By(Role.Controller)
            .WithName("changeGroup")
            .WithSummary("Changes currency or parent of a group; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(404)
            .ProducesProblem(412);
        groups
            .MapPost(
                "/{name}/limit",
                (string name, SetLimitRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.Propose(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), request, false)
            )
            .By(Role.Controller)
            .WithName("changeGroupLimit")
            .WithSummary("Sets the group's standing limit from a day on, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/{name}/uplift",
                (string name, SetLimitRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.Propose(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), request, true)
            )
            .By(Role.Controller)
            .WithName("grantGroupUplift")
            .WithSummary("Adds to the group's limit for a time, or asks for it above one's authority")
            .ProducesProblem(400)
            .ProducesProblem(404);
        groups
            .MapPost(
                "/{name}/uplifts/{id:long}/end",
                (string name, long id, ReasonRequest request, Desk desk, HttpContext context) =>
                    LimitRunner.End(desk, context, c => LimitHolder.Of(GroupStore.Get(c, name)), id, request)
            )
            .By(Role.Controller)
            .WithName("endGroupUplift")
            .WithSummary("Ends a group's uplift before its last day")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }
}
