using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Reminders of an account are paused; an account is handed over to be collected by others, and taken back.</summary>
internal static class HoldEndpoints
{
    private static bool Written(Stream file, SqliteConnection connection, Account account, Desk desk)
    {
        Dossier.Write(file, connection, account, desk);
        return true;
    }

    internal static void MapHolds(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Reminders");
        accounts
            .MapPost(
                "/pauses",
                (string code, PauseRequest r, Desk desk, HttpContext context) =>
                    AccountRunner.Decide(
                        code,
                        desk,
                        context,
                        (tx, account, fields) =>
                        {
                            var until = fields.Date("until", r.Until);
                            fields.ThrowIfAny();
                            HoldStore.Pause(tx, account, until, r.Reason ?? "");
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("pauseReminders")
            .WithSummary("Puts reminders of an account off until a day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/pauses/{id:long}/end",
                (string code, long id, HoldReasonRequest r, Desk desk, HttpContext context) =>
                    AccountRunner.Decide(
                        code,
                        desk,
                        context,
                        (tx, account, fields) => HoldStore.EndPause(tx, account, id, r.Reason ?? "")
                    )
            )
            .By(Role.Controller)
            .WithName("endPause")
            .WithSummary("Lets reminders go out again")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/collection",
                (string code, HandOverRequest r, Desk desk, HttpContext context) =>
                    AccountRunner.Decide(
                        code,
                        desk,
                        context,
                        (tx, account, fields) =>
                        {
                            var kind = fields.Choice<CollectionKind>("kind", r.Kind);
                            fields.ThrowIfAny();
                            HoldStore.HandOver(tx, account, kind, r.To ?? "", r.Reason ?? "");
                        }
                    )
            )
            .By(Role.Controller)
            .WithName("handOverAccount")
            .WithSummary("Hands an account over to be collected by others; runs leave it alone")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet(
                "/dossier.zip",
                (string code, Desk desk) =>
                    FileAnswer.Of(
                        file => desk.Read(code, (c, account) => Written(file, c, account, desk)),
                        "application/zip",
                        $"{code}-dossier.zip"
                    )
            )
            .By(Role.Controller)
            .Heavy()
            .WithName("getDossier")
            .WithSummary("All that goes with an account when it is handed over: lists, letters, documents and files")
            .Produces<byte[]>(200, "application/zip")
            .ProducesProblem(404);
        accounts
            .MapPost(
                "/collection/take-back",
                (string code, HoldReasonRequest r, Desk desk, HttpContext context) =>
                    AccountRunner.Decide(
                        code,
                        desk,
                        context,
                        (tx, account, fields) => HoldStore.TakeBack(tx, account, r.Reason ?? "")
                    )
            )
            .By(Role.Controller)
            .WithName("takeAccountBack")
            .WithSummary("Takes an account back that was handed over")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }
}
