using System.IO.Compression;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Everything that goes with an account when it is handed over: what is open and what is to be paid, its ledger, its log, its
/// letters, the documents of which something is open, and the files kept with it.
/// </summary>
internal static class Dossier
{
    // More documents than these nobody reads; the lists name all.
    private const int MostDocuments = 300;
    private const int MostLetters = 100;

    internal static void Write(Stream stream, SqliteConnection connection, Account account, Desk desk)
    {
        using var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true);
        var today = desk.Today(CompanyStore.Settings(connection));
        var ledger = desk.Ledgers.Of(connection, account);
        Table(
            zip,
            "to-settle.csv",
            ["What", "How it comes about", "Value"],
            ToSettleRows(ledger, connection, today, desk)
        );
        Table(
            zip,
            "open-items.csv",
            [
                "Document",
                "Date",
                "Due",
                "Days overdue",
                "Amount",
                "Open",
                "Disputed",
                "Reminder level",
                "Last reminded",
            ],
            ledger
                .Items.Where(i => !i.Left.IsZero)
                .Select(i =>
                    (IReadOnlyList<object?>)
                        [
                            i.Document,
                            $"{i.Date:yyyy-MM-dd}",
                            $"{i.Due:yyyy-MM-dd}",
                            (decimal)Math.Max(0, i.DaysOverdue(today)),
                            i.Opened.Amount,
                            i.Left.Amount,
                            i.DisputedOn(today, i.Left).Amount,
                            (decimal)i.ReminderLevel,
                            i.RemindedOn is { } reminded ? $"{reminded:yyyy-MM-dd}" : "",
                        ]
                )
        );
        var first = ledger.Items.Where(i => !i.Left.IsZero).Select(i => i.Date).DefaultIfEmpty(today).Min();
        var statement = StatementPrinter.Printed(connection, account, first < today ? first : today, today, desk);
        File(zip, "statement.pdf", StatementPdf.Render(statement));
        Table(zip, "ledger.csv", ["Date", "Number", "What", "Change", "Balance"], LedgerRows(connection, account));
        Table(
            zip,
            "log.csv",
            ["Date", "Kind", "With", "What was said", "By"],
            ContactLog
                .Of(connection, account)
                .Select(e =>
                    (IReadOnlyList<object?>)[$"{e.OnDate:yyyy-MM-dd}", Fields.Name(e.Kind), e.Contact, e.Text, e.MadeBy]
                )
        );
        foreach (
            var letter in ReminderStore.Issued(connection, account).Where(r => r.Cancelled is null).Take(MostLetters)
        )
            File(zip, $"letters/{Plain(letter.Number)}.pdf", ReminderStore.LetterOf(connection, letter.Number));
        foreach (var id in DossierStore.Documents(connection, account, MostDocuments))
        {
            var document = DocumentStore.Get(connection, id);
            File(
                zip,
                $"documents/{Plain(document.Number)}.pdf",
                InvoicePdf.Render(DocumentPrinter.Of(connection, document, desk))
            );
        }

        foreach (var entry in DossierStore.Charges(connection, account, MostDocuments))
        {
            var charge = ChargePrinter.Of(connection, entry, desk);
            File(zip, $"documents/{Plain(charge.Number)}.pdf", ChargePdf.Render(charge));
        }

        foreach (var kept in AttachmentStore.Of(connection, account))
            File(zip, $"files/{kept.Id}-{Plain(kept.Name)}", AttachmentStore.Get(connection, account, kept.Id).Content);
    }

    private static IEnumerable<IReadOnlyList<object?>> ToSettleRows(
        AccountLedger ledger,
        SqliteConnection connection,
        DateOnly today,
        Desk desk
    ) =>
        ToSettle
            .For(ledger, today, desk.Rules(connection))
            .Workings.Select(w => (IReadOnlyList<object?>)[w.Label, w.Formula, w.Value]);

    private static IEnumerable<IReadOnlyList<object?>> LedgerRows(SqliteConnection connection, Account account)
    {
        var balance = Money.Zero(account.Currency);
        foreach (var row in LedgerView.OfAccount(connection, account))
        {
            var change = Money.FromMinor(row.Change, account.Currency);
            balance += change;
            yield return [$"{row.PostingDate:yyyy-MM-dd}", row.Number ?? "", row.Text, change.Amount, balance.Amount];
        }
    }

    private static void Table(ZipArchive zip, string name, string[] header, IEnumerable<IReadOnlyList<object?>> rows)
    {
        using var to = zip.CreateEntry(name).Open();
        CsvWriterFile.Write(to, header, rows);
    }

    private static void File(ZipArchive zip, string name, byte[] content)
    {
        using var to = zip.CreateEntry(name).Open();
        to.Write(content);
    }

    // A name may hold what no name of a file may, and none may lead out of its folder.
    private static string Plain(string name) =>
        string.Concat(name.Select(c => char.IsLetterOrDigit(c) || c is '-' or '_' or '.' ? c : '-')).TrimStart('.');
}
