using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>Statements of account.</summary>
internal static class AccountStatementEndpoints
{
    internal static void MapAccountStatements(this RouteGroupBuilder api)
    {
        var accounts = api.MapGroup("/accounts/{code}").WithTags("Insight");
        accounts
            .MapGet("/statement", One)
            .By(Role.Viewer)
            .WithName("getAccountStatement")
            .WithSummary("The statement of an account over a period, by value")
            .ProducesProblem(400)
            .ProducesProblem(404);
        accounts
            .MapGet("/statement/file", File)
            .By(Role.Viewer)
            .Heavy()
            .WithName("getAccountStatementFile")
            .WithSummary("The same as a file: format is pdf, ubl, csv or xlsx")
            .Produces<byte[]>(200, "application/octet-stream")
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    /// <summary>The period asked for; the month up to the business date where it is left out.</summary>
    /// <exception cref="RefusedException">A day cannot be read, or the period ends before it begins.</exception>
    internal static (DateOnly From, DateOnly To) Period(string? from, string? to, DateOnly today)
    {
        var fields = new Fields();
        var last = fields.OptionalDate("to", to) ?? today;
        var first = fields.OptionalDate("from", from) ?? new DateOnly(last.Year, last.Month, 1);
        fields.ThrowIfAny();
        return last >= first
            ? (first, last)
            : throw new RefusedException("to", $"Give {Exactly.Day(first)} or a later day.");
    }

    private static AccountStatementView One(string code, string? from, string? to, Desk desk) =>
        desk.Read(
            code,
            (connection, account) =>
            {
                var (first, last) = Period(from, to, desk.Today());
                var s = StatementPrinter.Of(connection, account, first, last, desk);
                var names = CompanyStore.Settings(connection).Buckets().Names;
                return new AccountStatementView(
                    s.From,
                    s.To,
                    account.Currency.Code,
                    s.Opening,
                    s.Closing,
                    s.Debits,
                    s.Credits,
                    s.Due,
                    s.NotDue,
                    [
                        .. s.Lines.Select(l => new AccountStatementLineView(
                            l.Date,
                            l.Document,
                            l.Kind,
                            l.Debit,
                            l.Credit,
                            l.Balance
                        )),
                    ],
                    [.. s.Ageing.Select((a, i) => new BucketView(names[i], a))],
                    [.. s.Open.Select(i => new AccountStatementItemView(i.Document, i.Kind, i.Date, i.Due, i.Open))]
                );
            }
        );

    private static IResult File(string code, string? from, string? to, string? format, Desk desk) =>
        desk.Read(
            code,
            (connection, account) =>
            {
                var (first, last) = Period(from, to, desk.Today());
                if (!StatementPrinter.Formats.Contains(format ?? "pdf", StringComparer.Ordinal))
                    throw new RefusedException(
                        "format",
                        $"Choose one of {string.Join(", ", StatementPrinter.Formats)}."
                    );
                var printed = StatementPrinter.Printed(connection, account, first, last, desk);
                var (ending, type) = StatementPrinter.Kind(format ?? "pdf");
                return FileAnswer.Of(
                    file => StatementPrinter.Write(file, printed, format ?? "pdf"),
                    type,
                    $"{MessageSource.Plain(printed.Number)}.{ending}"
                );
            }
        );
}
