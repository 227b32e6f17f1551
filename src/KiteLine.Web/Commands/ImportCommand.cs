using System.Collections.Concurrent;
using System.Diagnostics;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Reads <c>bank-accounts.csv</c>, <c>customers.csv</c> and <c>open-items.csv</c> of a folder into the books: all rows,
/// or none.
/// </summary>
internal sealed class ImportCommand(TextWriter progress, TextWriter report)
{
    private const int Batch = 2000;
    private static readonly string[] BankColumns = ["account", "currency", "method"];
    private long _refused;
    private long _named;
    private long _bankAccounts;

    /// <summary>Runs the import. 0: all stored; 1: something was refused; 2: there is nothing to import.</summary>
    internal int Run(string folder, Books books, bool dryRun, bool acceptGood)
    {
        var customers = Path.Combine(folder, "customers.csv");
        var items = Path.Combine(folder, "open-items.csv");
        var banks = Path.Combine(folder, "bank-accounts.csv");
        if (!Directory.Exists(folder) || !(File.Exists(customers) || File.Exists(items) || File.Exists(banks)))
        {
            report.WriteLine(
                $"There is neither customers.csv nor open-items.csv nor bank-accounts.csv in ‘{folder}’. Give the folder "
                    + "that holds them."
            );
            return 2;
        }

        var clock = Stopwatch.StartNew();
        var stored = (Customers: 0L, Items: 0L);
        try
        {
            books.Write(
                "import",
                tx =>
                {
                    var today = CompanyStore.BusinessDate(CompanyStore.Settings(tx.Connection), books.Clock);
                    using var import = new OpeningImport(tx, today, Report, named: Name);
                    if (File.Exists(banks))
                        BankAccounts(banks, tx);
                    if (File.Exists(customers))
                        Customers(customers, import);
                    if (File.Exists(items))
                        Items(items, import);
                    stored = import.Stored;
                    // Throwing undoes everything, so a file with one bad row leaves the books as they were.
                    if (dryRun || (_refused > 0 && !acceptGood))
                        throw new Undone();
                    import.Finish(Path.GetFullPath(folder));
                    return 0;
                }
            );
            progress.WriteLine(
                $"Stored {(_bankAccounts > 0 ? $"{Count(_bankAccounts, "bank account")}, " : "")}"
                    + $"{Count(stored.Customers, "customer")} and {Count(stored.Items, "open item")} in "
                    + $"{clock.Elapsed.TotalSeconds:F1} s."
            );
        }
        catch (Undone)
        {
            progress.WriteLine(
                dryRun
                    ? $"Dry run: {Count(stored.Customers, "customer")} and {Count(stored.Items, "open item")} are "
                        + $"good; nothing was stored."
                    : $"Nothing was stored. {Count(stored.Customers, "customer")} and "
                        + $"{Count(stored.Items, "open item")} are good; correct the others, or store the good ones "
                        + $"with --accept-good."
            );
        }

        if (_named > 0)
            progress.WriteLine(
                _named == 1
                    ? "1 document looks like one that its account has already; it is not refused for that."
                    : $"{_named:N0} documents look like ones that their accounts have already; none is refused for that."
            );
        if (_refused == 0)
            return 0;
        progress.WriteLine($"{(_refused == 1 ? "1 problem was" : $"{_refused:N0} problems were")} found.");
        return 1;
    }

    private sealed class Undone : Exception;

    private void Report(RowProblem p)
    {
        _refused++;
        var where =
            p.Row == 0 ? p.File
            : p.Column.Length == 0 ? $"{p.File} row {p.Row}"
            : $"{p.File} row {p.Row}, {p.Column} ‘{Short(p.Value)}’";
        report.WriteLine($"{where}: {p.Reason}");
    }

    private void Name(RowProblem p)
    {
        _named++;
        report.WriteLine($"{p.File} row {p.Row}, likely duplicate ‘{Short(p.Value)}’: {p.Reason}");
    }

    private void Customers(string path, OpeningImport import) =>
        Read(
            path,
            CustomerRow.Columns,
            ["name"],
            (file, line, values) =>
            {
                if (
                    CustomerRow.Check(
                        line,
                        values,
                        (column, value, reason) => Report(new(file, line, column, value, reason))
                    ) is
                    { } row
                )
                    import.Customer(file, row);
            }
        );

    private void BankAccounts(string path, Tx tx) =>
        Read(
            path,
            BankColumns,
            ["account"],
            (file, line, values) =>
            {
                try
                {
                    OwnAccountStore.Add(tx, values[0], values[1], values[2]);
                    _bankAccounts++;
                }
                catch (RefusedException e)
                {
                    foreach (var p in e.Problems)
                        Report(
                            new(
                                file,
                                line,
                                p.Field,
                                values[Array.IndexOf(BankColumns, p.Field) is var at and >= 0 ? at : 0],
                                p.Message
                            )
                        );
                }
            }
        );

    private void Items(string path, OpeningImport import) =>
        Read(
            path,
            OpenItemRow.Columns,
            ["account", "document", "date"],
            (file, line, values) => import.OpenItem(file, line, values)
        );

    // One thread reads and splits the file while this one checks and stores.
    private void Read(
        string path,
        IReadOnlyList<string> columns,
        IReadOnlyList<string> required,
        Action<string, long, string[]> store
    )
    {
        var file = Path.GetFileName(path);
        using var batches = new BlockingCollection<List<(long Line, string[]? Values, string? Problem)>>(8);
        var position = 0L;
        var reading = Task.Run(() =>
        {
            try
            {
                using var table = CsvTable.Open(path, columns, required);
                var batch = new List<(long, string[]?, string?)>(Batch);
                foreach (var row in table.Rows())
                {
                    batch.Add(row);
                    if (batch.Count < Batch)
                        continue;
                    Interlocked.Exchange(ref position, table.Position);
                    batches.Add(batch);
                    batch = new(Batch);
                }

                batches.Add(batch);
            }
            finally
            {
                batches.CompleteAdding();
            }
        });

        var size = new FileInfo(path).Length;
        long rows = 0,
            told = 0;
        foreach (var batch in batches.GetConsumingEnumerable())
        {
            foreach (var (line, values, problem) in batch)
            {
                if (values is null)
                    Report(new(file, line, "", "", problem!));
                else if (Array.FindIndex(values, v => TextBounds.Problem(v) is not null) is var bad and >= 0)
                    Report(new(file, line, columns[bad], values[bad], TextBounds.Problem(values[bad])!));
                else
                    store(file, line, values);
            }

            rows += batch.Count;
            if (rows - told < 100_000)
                continue;
            told = rows;
            progress.WriteLine($"{file}: {rows:N0} rows, {100 * Interlocked.Read(ref position) / Math.Max(1, size)} %");
        }

        try
        {
            reading.GetAwaiter().GetResult();
            if (rows == 0)
                Report(new(file, 0, "", "", "The file has a header and no rows below it."));
        }
        catch (CsvException e)
        {
            Report(new(file, 0, "", "", e.Message));
        }
    }

    // Enough of a value to find it, on one line.
    private static string Short(string value) =>
        value.Length > 60 || value.Any(char.IsControl)
            ? string.Concat(value.Take(60).Select(c => char.IsControl(c) ? ' ' : c)) + "…"
            : value;

    private static string Count(long n, string what) => $"{n:N0} {what}{(n == 1 ? "" : "s")}";
}
