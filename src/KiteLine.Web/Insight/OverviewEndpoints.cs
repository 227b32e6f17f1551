using System.Globalization;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Accounts as a credit committee looks at them.</summary>
internal static class OverviewEndpoints
{
    // More changes are told by the account's own list of them.
    private const int MostChanges = 100;

    internal static void MapOverviews(this RouteGroupBuilder api)
    {
        var overview = api.MapGroup("/accounts/{code}/overview").WithTags("Insight");
        overview
            .MapGet("/", (string code, string? since, Desk desk) => Read(code, since, desk).View())
            .By(Role.Viewer)
            .WithName("getOverview")
            .WithSummary("Twelve months of an account, how it pays, suggested limits, and what changed since a day")
            .ProducesProblem(400)
            .ProducesProblem(404);
        overview
            .MapGet("/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("printOverview")
            .WithSummary("The same on one page, as PDF")
            .Produces<byte[]>(200, "application/pdf")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static IResult File(string code, string? since, Desk desk)
    {
        var read = Read(code, since, desk);
        return FileAnswer.Of(
            file => file.Write(OverviewPdf.Render(read.Printed(desk.Snapshots.Current.Settings.Name))),
            "application/pdf",
            $"overview-{read.Account.Code}.pdf"
        );
    }

    private static Overview Read(string code, string? since, Desk desk)
    {
        var (book, today, fields) = (desk.Snapshots.Current, desk.Today(), new Fields());
        var given = fields.OptionalDate("since", since);
        if (given >= today)
            fields.Bad("since", $"Give a day before {Exactly.Day(today)}.");
        fields.ThrowIfAny();
        return desk.Read(code, (connection, account) => Read(connection, account, given, today, book, desk));
    }

    private static Overview Read(
        SqliteConnection connection,
        Account account,
        DateOnly? given,
        DateOnly today,
        BookSnapshot book,
        Desk desk
    )
    {
        var held = book.Find(account.Code) ?? throw new NotThereException("account", account.Code);
        var history = desk.Measuring.Histories.Of(connection, [held], book.Settings.Rounding)[0];
        var since = given ?? AccountOverview.LastLook(held, today);
        return new(
            account,
            AccountOverview.Of(
                held,
                today,
                since,
                book.PositionRules,
                book.Settings.Rounding,
                history.PaidBefore,
                [.. history.Discounts.Select(d => d.Outcome)]
            ),
            LimitReader.Suggestions(connection, account, desk),
            Changes(connection, account, given)
        );
    }

    // Decisions and changes of the record, without postings and letters, which the figures tell; where no day is given, those
    // after the limit was last changed.
    private static List<AuditEntry> Changes(SqliteConnection connection, Account account, DateOnly? since)
    {
        var all = Audit
            .Of(connection, $"account:{account.Code}")
            .Where(r => r.Action != "reminder" && !Enum.TryParse<PostingKind>(r.Action, out _))
            .OrderByDescending(r => r.Id);
        var after = since?.AddDays(1).ToString("O", CultureInfo.InvariantCulture);
        return AuditEntry.Of(
            (
                after is null
                    ? all.TakeWhile(r => r.Action is not "limit")
                    : all.TakeWhile(r => string.CompareOrdinal(r.At, after) >= 0)
            ).Take(MostChanges)
        );
    }
}
