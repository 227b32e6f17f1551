using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>
/// Writes statements of account into a folder, one file each. Progress goes to standard error, one object to standard output.
/// </summary>
internal sealed class StatementsCommand(TextWriter progress, TextWriter answer, Desk desk)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private const int Told = 1000;

    /// <summary>0: all were written. Accounts on which nothing moved and nothing is open get none, unless they are
    /// named.</summary>
    /// <exception cref="RefusedException">A day or the format cannot be read; names it.</exception>
    /// <exception cref="NotThereException">An account is not there.</exception>
    internal int Run(string? from, string? to, string? only, string folder, string? format)
    {
        var (first, last) = AccountStatementEndpoints.Period(from, to, desk.Today());
        var kind = format ?? "pdf";
        if (!StatementPrinter.Formats.Contains(kind, StringComparer.Ordinal))
            throw new RefusedException("format", $"Choose one of {string.Join(", ", StatementPrinter.Formats)}.");
        var codes = (only ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        Directory.CreateDirectory(folder);
        var written = new List<object>();
        desk.Books.Read(c =>
        {
            var accounts = codes.Length > 0 ? codes : [.. desk.Snapshots.Current.Accounts.Select(a => a.Code)];
            foreach (var code in accounts)
            {
                var account = AccountStore.Get(c, code);
                var printed = StatementPrinter.Printed(c, account, first, last, desk);
                var s = printed.Statement;
                if (codes.Length == 0 && s.SaysNothing)
                    continue;
                var name = $"{MessageSource.Plain(printed.Number)}.{StatementPrinter.Kind(kind).Ending}";
                // Aside first, so that no half of a file is ever taken for a statement.
                var aside = Path.Combine(folder, $".{name}.part");
                using (var file = File.Create(aside))
                    StatementPrinter.Write(file, printed, kind);
                File.Move(aside, Path.Combine(folder, name), overwrite: true);
                written.Add(
                    new
                    {
                        account = account.Code,
                        file = name,
                        currency = account.Currency.Code,
                        opening = $"{s.Opening}",
                        debits = $"{s.Debits}",
                        credits = $"{s.Credits}",
                        closing = $"{s.Closing}",
                        due = $"{s.Due}",
                    }
                );
                if (written.Count % Told == 0)
                    progress.WriteLine($"{written.Count:N0} statements");
            }

            return true;
        });
        progress.WriteLine($"{written.Count:N0} statements in {folder}");
        answer.WriteLine(
            JsonSerializer.Serialize(
                new
                {
                    from = $"{first:yyyy-MM-dd}",
                    to = $"{last:yyyy-MM-dd}",
                    statements = written,
                },
                Options
            )
        );
        return 0;
    }
}
