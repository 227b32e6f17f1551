using System.Text.Json;
using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Reads bank statements into the books: each whole or not at all. What is certain can be posted with it; the rest waits.
/// </summary>
internal sealed class BankCommand(TextWriter progress, TextWriter answer)
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private readonly BankDesk _desk = new(new ItemStore(new VersionCache()));
    private int _refused;
    private int _posted;

    /// <summary>0: all stored; 1: something was refused; 2: a file is not there.</summary>
    internal int Run(IReadOnlyList<string> files, Books books, bool dryRun, bool postCertain)
    {
        var missing = files.Where(f => !File.Exists(f)).ToArray();
        if (files.Count == 0 || missing.Length > 0)
        {
            progress.WriteLine(
                files.Count == 0
                    ? "Give the files to read."
                    : $"There is no file {string.Join(", ", missing.Select(f => $"‘{f}’"))}."
            );
            return 2;
        }

        var shown = files.SelectMany(f => OfFile(f, books, dryRun, postCertain)).ToList();
        answer.WriteLine(JsonSerializer.Serialize(new { statements = shown }, Options));
        progress.WriteLine(
            $"{shown.Count - _refused:N0} statements {(dryRun ? "can be stored" : "stored")}, {_refused:N0} refused"
                + (postCertain && !dryRun ? $", {_posted:N0} entries posted." : ".")
        );
        return _refused == 0 ? 0 : 1;
    }

    private IEnumerable<object> OfFile(string file, Books books, bool dryRun, bool postCertain)
    {
        IReadOnlyList<BankStatement> statements;
        string? problem = null;
        try
        {
            statements = Camt053.Read(Content(file));
        }
        catch (RefusedException e)
        {
            (statements, problem) = ([], e.Message);
        }

        if (problem is not null)
        {
            _refused++;
            yield return new
            {
                file,
                account = "",
                id = "",
                problems = new[] { problem },
            };
        }

        foreach (var statement in statements)
        {
            progress.WriteLine(
                $"{Path.GetFileName(file)}: statement {statement.Id}, {statement.Entries.Count:N0} entries"
            );
            yield return One(statement, file, books, dryRun, postCertain);
        }
    }

    private object One(BankStatement statement, string file, Books books, bool dryRun, bool postCertain)
    {
        var (problems, proposals) = books.Read(c =>
        {
            var found = StatementDesk.Problems(c, statement, dryRun);
            return (
                found,
                found.Count > 0
                    ? []
                    : _desk.Propose(
                        c,
                        statement.Currency,
                        statement.Entries,
                        Rules.Of(c, CompanyStore.BusinessDate(CompanyStore.Settings(c), books.Clock))
                    )
            );
        });
        if (problems.Count == 0 && !dryRun)
            problems = Store(statement, proposals, books, postCertain);
        if (problems.Count > 0)
        {
            _refused++;
            return new
            {
                file,
                account = statement.Account,
                id = statement.Id,
                opening = statement.Opening?.ToString(),
                closing = statement.Closing?.ToString(),
                problems,
            };
        }

        return new
        {
            file,
            account = statement.Account,
            id = statement.Id,
            opening = statement.Opening?.ToString(),
            closing = statement.Closing?.ToString(),
            entries = proposals.Select(BankEntryView.Of),
        };
    }

    private IReadOnlyList<string> Store(
        BankStatement statement,
        IReadOnlyList<EntryProposal> proposals,
        Books books,
        bool postCertain
    )
    {
        // What another program stored since it was looked at is seen here.
        var (problems, ids) = books.Write("bank", tx => StatementDesk.Store(tx, statement));
        if (problems.Count == 0 && postCertain)
            _posted += _desk.PostCertain(
                books,
                "bank",
                proposals.Zip(ids).Where(x => x.First.IsCertain).Select(x => x.Second)
            );
        return problems;
    }

    private static byte[] Content(string file) =>
        new FileInfo(file).Length is var length && length > Bounds.StatementFile
            ? throw new RefusedException(
                "file",
                $"The file has {length:N0} bytes; give at most {Bounds.StatementFile:N0}."
            )
            : File.ReadAllBytes(file);
}
