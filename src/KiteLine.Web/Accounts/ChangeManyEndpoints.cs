using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Changing many accounts at once, and taking that back.</summary>
internal static class ChangeManyEndpoints
{
    internal static void MapChangeMany(this RouteGroupBuilder api)
    {
        var changes = api.MapGroup("/account-changes").WithTags("Accounts");
        changes
            .MapGet(
                "/fields",
                (Desk desk) =>
                    AccountField
                        .All(desk.Snapshots.Current.Settings)
                        .Select(f => new PolicyUser(f.Key, f.Title))
                        .ToList()
            )
            .By(Role.Viewer)
            .WithName("listChangeableFields")
            .WithSummary("What can be changed on many accounts at once");
        changes
            .MapGet(
                "/",
                (Desk desk) =>
                {
                    var titles = AccountField
                        .All(desk.Snapshots.Current.Settings)
                        .ToDictionary(f => f.Key, f => f.Title);
                    return desk
                        .Books.Read(ChangeManyDesk.Made)
                        .Select(b => new ChangeBatchView(
                            b.Id,
                            titles.GetValueOrDefault(b.Field, b.Field),
                            b.Value,
                            b.Reason,
                            b.MadeBy,
                            b.MadeAt,
                            b.UndoneBy,
                            b.Accounts
                        ))
                        .ToList();
                }
            )
            .By(Role.Viewer)
            .WithName("listChangesOfMany")
            .WithSummary("Changes of many accounts that were made, latest first");
        changes
            .MapPost("/", Apply)
            .By(Role.Controller)
            .Heavy()
            .WithName("changeMany")
            .WithSummary("Changes one thing on many accounts; with preview=true shows what would change")
            .ProducesProblem(400);
        changes
            .MapPost(
                "/{id:long}/undo",
                (long id, bool? preview, Desk desk, HttpContext context) =>
                    Run(
                        desk,
                        context,
                        preview ?? false,
                        null,
                        tx =>
                        {
                            var (undone, left) = ChangeManyDesk.Undo(tx, id);
                            return new ChangeManyView(preview ?? false, id, undone.Field, undone.Changed, 0, left);
                        }
                    )
            )
            .By(Role.Controller)
            .Heavy()
            .WithName("undoChangeOfMany")
            .WithSummary("Gives the accounts of a change their former values again")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static ChangeManyView Apply(ChangeManyRequest request, bool? preview, Desk desk, HttpContext context)
    {
        var codes = request.Codes?.Distinct(StringComparer.OrdinalIgnoreCase).ToList() ?? Shown(request, desk);
        if (!string.IsNullOrEmpty(request.Within))
        {
            var fields = new Fields();
            var within = InsightScope
                .Read(request.Within, null, desk.Today(), desk.Snapshots.Current, fields)
                .Accounts.Select(a => a.Code)
                .ToHashSet(StringComparer.OrdinalIgnoreCase);
            fields.ThrowIfAny();
            codes.RemoveAll(c => !within.Contains(c));
        }

        return Run(
            desk,
            context,
            preview ?? false,
            codes,
            tx =>
            {
                var field = AccountField.Of(request.Field, CompanyStore.Settings(tx.Connection));
                var (accounts, today) = (AccountStore.Get(tx.Connection, codes), tx.BusinessDate());
                var chosen = request.OnlyWith is null
                    ? codes
                    : codes.FindAll(c => field.Read(tx.Connection, accounts[c], today) == request.OnlyWith);
                var made = ChangeManyDesk.Apply(
                    tx,
                    chosen,
                    request.Field,
                    request.Value ?? "",
                    preview is true && string.IsNullOrWhiteSpace(request.Reason) ? "preview" : request.Reason ?? ""
                );
                return new ChangeManyView(preview ?? false, made.BatchId, made.Field, made.Changed, made.Unchanged, []);
            }
        );
    }

    /// <param name="accounts">Codes of those it is about; null where that is not known before.</param>
    private static ChangeManyView Run(
        Desk desk,
        HttpContext context,
        bool preview,
        IReadOnlyCollection<string>? accounts,
        Func<Tx, ChangeManyView> act
    ) => preview ? desk.Books.Rehearse(context.Who(), act, accounts) : desk.Write(context, act);

    private static List<string> Shown(ChangeManyRequest request, Desk desk)
    {
        if (request.View is { Length: > 0 } view)
        {
            var q = Microsoft.AspNetCore.WebUtilities.QueryHelpers.ParseQuery(view);
            string? Of(string name) => q.TryGetValue(name, out var value) ? value.ToString() : null;
            var query = new BoardQuery(
                null,
                null,
                Of("filter"),
                Of("q"),
                null,
                null,
                Of("owner"),
                Of("group"),
                Of("state"),
                Of("utilisationFrom"),
                Of("utilisationTo"),
                Of("overdueFrom"),
                int.TryParse(Of("ageFrom"), out var age) ? age : null,
                Of("reviewBy"),
                Of("promise"),
                Of("field")
            );
            return [.. BoardEndpoints.Find(query, desk, out _, out _).Found.Select(p => p.Account.Code)];
        }

        var filters = (request.Filter ?? "").Split(
            ',',
            StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries
        );
        if (filters.FirstOrDefault(f => BoardFilter.Find(f) is null) is { } unknown)
            throw new RefusedException(
                "filter",
                $"There is no filter ‘{unknown}’; choose among {string.Join(", ", BoardFilter.Names)}."
            );
        return
        [
            .. desk
                .Boards.On(desk.Today())
                .Find(BoardSort.Code, false, filters, request.Q?.Trim() ?? "")
                .Select(p => p.Account.Code),
        ];
    }
}
