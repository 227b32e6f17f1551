using System.Text.Json.Nodes;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// What is the same for policies of every kind: listed, added, and changed as a new version under If-Match.
/// </summary>
internal static class PolicyRoutes
{
    /// <summary>A policy as a request gives it, checked.</summary>
    internal sealed record Given<T>(string? Code, string? Name, T Definition, string? Reason);

    /// <param name="path">Under /policies.</param>
    /// <param name="kind">The name the store knows the kind by.</param>
    /// <param name="many">For the operation that lists, such as "LateChargePolicies".</param>
    /// <param name="one">For the operations on one, such as "LateChargePolicy".</param>
    /// <param name="what">In words, such as "late-charge policies".</param>
    internal static void MapKind<T, TRequest, TView>(
        this RouteGroupBuilder policies,
        string path,
        string kind,
        string many,
        string one,
        string what,
        Func<TRequest, Desk, Given<T>> read,
        Func<StoredPolicy<T>, long, Desk, TView> view
    )
        where TRequest : notnull
    {
        policies
            .MapGet(
                $"/{path}",
                (Desk desk) =>
                    desk.Books.Read(connection =>
                    {
                        var uses = PolicyStore.Uses(connection, kind);
                        return PolicyStore
                            .All<T>(connection, kind)
                            .Select(p => view(p, uses.GetValueOrDefault(p.Code), desk))
                            .ToList();
                    })
            )
            .By(Role.Viewer)
            .WithName($"list{many}")
            .WithSummary($"The {what} in their current version");
        policies
            .MapPost(
                $"/{path}",
                (TRequest request, Desk desk, HttpContext context) => Save(read(request, desk), null, 0, desk, context)
            )
            .By(Role.Manager)
            .WithName($"add{one}")
            .WithSummary($"Adds to the {what}")
            .ProducesProblem(400);
        // Codes such as 2/10 n/30 bear a slash, which the server leaves encoded in a path.
        policies
            .MapPut(
                $"/{path}/{{*code}}",
                (string code, TRequest request, Desk desk, HttpContext context) =>
                    Save(read(request, desk), code, context.Version(), desk, context)
            )
            .By(Role.Manager)
            .WithName($"change{one}")
            .WithSummary($"Makes a new version of one of the {what}; needs If-Match")
            .ProducesProblem(400)
            .ProducesProblem(412);

        ((IEndpointRouteBuilder)policies)
            .ServiceProvider.GetRequiredService<ExchangeKinds>()
            .Add(new(path, Export, Import));

        IEnumerable<JsonNode> Export(SqliteConnection connection, Desk desk) =>
            [.. PolicyStore.All<T>(connection, kind).Select(p => Record<TRequest, TView>(view(p, 0, desk)))];

        ExchangedRecord Import(Tx tx, JsonObject record, Desk desk, string reason)
        {
            var given = read(ExchangeJson.Read<TRequest>(record), desk);
            var fields = new Fields();
            var key = fields.Text("code", given.Code, "a short code", 40);
            fields.ThrowIfAny();
            var name = string.IsNullOrWhiteSpace(given.Name) ? key : given.Name.Trim();
            var before = PolicyStore.Find<T>(tx.Connection, kind, key);
            var was = before is null ? null : Record<TRequest, TView>(view(before, 0, desk));
            if (
                before is not null
                && before.Name == name
                && Json.Write(before.Definition) == Json.Write(given.Definition)
            )
                return new(was, was!);
            var stored = PolicyStore.Save(tx, kind, key, name, given.Definition, before?.Version ?? 0, reason);
            return new(was, Record<TRequest, TView>(view(stored, 0, desk)));
        }

        TView Save(Given<T> given, string? code, long version, Desk desk, HttpContext context)
        {
            var fields = new Fields();
            var key = fields.Text("code", code ?? given.Code, "a short code", 40);
            fields.ThrowIfAny();
            return desk.Write(
                context,
                tx =>
                    view(
                        PolicyStore.Save(
                            tx,
                            kind,
                            key,
                            string.IsNullOrWhiteSpace(given.Name) ? key : given.Name,
                            given.Definition,
                            version,
                            given.Reason ?? ""
                        ),
                        0,
                        desk
                    )
            );
        }
    }

    // What a request may bear of what is shown, so that what is exported can be brought in again.
    private static JsonObject Record<TRequest, TView>(TView shown)
    {
        var record = ExchangeJson.Write(shown);
        var borne = typeof(TRequest)
            .GetProperties()
            .Select(p => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(p.Name))
            .ToHashSet(StringComparer.Ordinal);
        foreach (var name in record.Select(p => p.Key).Where(name => !borne.Contains(name)).ToList())
            record.Remove(name);
        return record;
    }
}
