using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Makes statements of account, and files of them.</summary>
internal static class StatementPrinter
{
    /// <summary>The formats that a statement comes in.</summary>
    internal static readonly string[] Formats = ["pdf", "ubl", "csv", "xlsx"];

    internal static readonly string[] Header = ["Date", "What", "Document", "Debit", "Credit", "Balance"];

    internal static AccountStatement Of(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to,
        Desk desk
    ) =>
        AccountStatement.Of(
            desk.Items.Items(connection, account, alsoClosed: true),
            account.Currency,
            from,
            to,
            CompanyStore.Settings(connection).Buckets()
        );

    internal static PrintedStatement Printed(
        SqliteConnection connection,
        Account account,
        DateOnly from,
        DateOnly to,
        Desk desk
    ) =>
        new(
            Paper.Of(connection),
            Paper.To(account),
            desk.Today(CompanyStore.Settings(connection)),
            account.Currency,
            Of(connection, account, from, to, desk),
            [.. CompanyStore.Settings(connection).Buckets().Names.Select(Age)]
        );

    /// <summary>The file of a statement in one of the <see cref="Formats"/>.</summary>
    internal static void Write(Stream file, PrintedStatement printed, string format)
    {
        switch (format)
        {
            case "pdf":
                file.Write(StatementPdf.Render(printed));
                break;
            case "ubl":
                file.Write(UblStatement.Write(printed));
                break;
            case "csv":
                CsvWriterFile.Write(file, Header, Rows(printed.Statement));
                break;
            case "xlsx":
                XlsxFile.Write(file, Header, Rows(printed.Statement), "Statement");
                break;
            default:
                throw new RefusedException("format", $"Choose one of {string.Join(", ", Formats)}.");
        }
    }

    /// <summary>The ending and the kind of content of a format.</summary>
    internal static (string Ending, string ContentType) Kind(string format) =>
        format switch
        {
            "pdf" => ("pdf", "application/pdf"),
            "ubl" => ("xml", "application/xml"),
            "csv" => ("csv", FileAnswer.Csv),
            _ => ("xlsx", FileAnswer.Xlsx),
        };

    internal static IEnumerable<IReadOnlyList<object?>> Rows(AccountStatement s)
    {
        yield return [$"{s.From:yyyy-MM-dd}", "Opening balance", "", null, null, s.Opening.Amount];
        foreach (var l in s.Lines)
            yield return
            [
                $"{l.Date:yyyy-MM-dd}",
                PrintedStatement.Words(l),
                l.Document,
                l.Debit.IsZero ? null : l.Debit.Amount,
                l.Credit.IsZero ? null : l.Credit.Amount,
                l.Balance.Amount,
            ];
        yield return [$"{s.To:yyyy-MM-dd}", "Closing balance", "", s.Debits.Amount, s.Credits.Amount, s.Closing.Amount];
    }

    // Buckets are named for programs.
    private static string Age(string bucket) =>
        bucket == "notDue" ? "Not overdue"
        : bucket.StartsWith("over", StringComparison.Ordinal) ? $"Over {bucket[4..]} days"
        : $"{bucket.Replace('-', '–')} days";
}
