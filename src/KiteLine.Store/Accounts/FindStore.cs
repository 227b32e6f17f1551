using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Finds accounts and documents by a part of any of their details.</summary>
public static class FindStore
{
    private const int MostAccounts = 8;
    private const int MostDocuments = 6;

    // What has the trigrams of a text mostly has the text; further ones are not compared.
    // The same goes for those that wait for their turn in the index: few, but after an import many.
    private const int AccountsCompared = 200;
    private const int DocumentsCompared = 2000;
    private const int TelltaleTrigrams = 3;

    /// <summary>
    /// Up to eight accounts and six documents. Accounts whose code or name begins with the text come first; less than
    /// three characters find only these, and among the latest documents.
    /// </summary>
    public static IReadOnlyList<Found> Find(SqliteConnection connection, string text)
    {
        var wanted = new SearchedText(text);
        return wanted.Plain.Length == 0 ? [] : [.. Accounts(connection, wanted), .. Documents(connection, wanted)];
    }

    private static IEnumerable<Found> Accounts(SqliteConnection connection, SearchedText wanted)
    {
        var ids = connection
            .Query<long>(
                """
                SELECT id FROM (SELECT id FROM account WHERE code >= @Plain AND code < @end ORDER BY code LIMIT @most)
                UNION
                SELECT id FROM (SELECT id FROM account WHERE name >= @Plain COLLATE NOCASE
                    AND name < @end COLLATE NOCASE ORDER BY name COLLATE NOCASE LIMIT @most)
                UNION
                SELECT account_id FROM (SELECT account_id FROM find_queue LIMIT @compared)
                """,
                new
                {
                    wanted.Plain,
                    end = wanted.Plain + char.MaxValue,
                    most = MostAccounts,
                    compared = AccountsCompared,
                }
            )
            .AsList();
        if (Match(wanted) is { } match)
            ids.AddRange(
                connection.Query<long>(
                    "SELECT rowid FROM found_account WHERE found_account MATCH @match LIMIT @AccountsCompared",
                    new { match, AccountsCompared }
                )
            );
        return connection
            .Query<Account>("SELECT * FROM account WHERE id IN @ids", new { ids = ids.Distinct() })
            .Select(a =>
                (
                    Account: a,
                    Detail: SearchedDetail
                        .Of(a.Code, a.Name, a.Email, a.Address, a.Profile)
                        .FirstOrDefault(d => d.Holds(wanted))
                )
            )
            .Where(f => f.Detail is not null)
            .OrderBy(f => Rank(f.Account, f.Detail!, wanted))
            .ThenBy(f => f.Account.Name, StringComparer.OrdinalIgnoreCase)
            .Take(MostAccounts)
            .Select(f => new Found
            {
                Kind = "account",
                Title = f.Account.Name,
                Account = f.Account.Code,
                AccountName = f.Account.Name,
                Detail = f.Detail!.What is "code" or "name" ? "" : $"{f.Detail.What} {f.Detail.Text}",
            });
    }

    private static int Rank(Account account, SearchedDetail detail, SearchedText wanted) =>
        PlainLetters.Of(account.Code) == wanted.Plain ? 0
        : PlainLetters.Of(account.Code).StartsWith(wanted.Plain, StringComparison.Ordinal) ? 1
        : PlainLetters.Of(account.Name).StartsWith(wanted.Plain, StringComparison.Ordinal) ? 2
        : detail.What is "code" or "name" ? 3
        : 4;

    private static IEnumerable<Found> Documents(SqliteConnection connection, SearchedText wanted) =>
        connection.Query<Found>(
            """
            WITH near (id) AS (
                SELECT * FROM (SELECT rowid FROM found_document WHERE found_document MATCH @match
                    ORDER BY rowid DESC LIMIT @DocumentsCompared)
                UNION
                SELECT * FROM (SELECT d.id FROM document d
                    WHERE d.id > (SELECT CASE WHEN @isShort THEN 0 ELSE document_id END FROM find_progress)
                    ORDER BY d.id DESC LIMIT @DocumentsCompared))
            SELECT 'document' kind, d.number title, a.code account, a.name account_name,
                CASE WHEN instr(lower(d.number), @Plain) THEN '' ELSE 'reference ' || d.reference END detail
            FROM near JOIN document d ON d.id = near.id JOIN account a ON a.id = d.account_id
            WHERE instr(lower(d.number), @Plain) OR instr(lower(d.reference), @Plain)
            ORDER BY lower(d.number) = @Plain DESC, d.id DESC LIMIT @MostDocuments
            """,
            new
            {
                match = Trigrams(wanted.Plain) ?? "\"\"",
                isShort = Trigrams(wanted.Plain) is null,
                wanted.Plain,
                DocumentsCompared,
                MostDocuments,
            }
        );

    // A number is looked up as it was typed and by its digits alone.
    private static string? Match(SearchedText wanted)
    {
        string?[] forms = [Trigrams(wanted.Plain), wanted.Number is { } number ? Trigrams(number) : null];
        var known = forms.Where(f => f is not null).Distinct().ToArray();
        return known.Length == 0 ? null : string.Join(" OR ", known.Select(f => $"({f})"));
    }

    /// <summary>The condition that a text has the trigrams of another; null when that is too short for one.</summary>
    private static string? Trigrams(string plain)
    {
        var runes = plain.EnumerateRunes().Select(r => r.ToString()).ToArray();
        if (runes.Length < 3)
            return null;
        var trigrams = Enumerable
            .Range(0, runes.Length - 2)
            .Select(i => string.Concat(runes[i..(i + 3)]))
            .Distinct()
            .ToArray();
        // Numbers of documents begin alike, and going through a trigram that all of them have takes longest.
        var isNumber = plain.Any(char.IsAsciiDigit) && !plain.Contains(' ', StringComparison.Ordinal);
        return string.Join(
            " AND ",
            trigrams
                .TakeLast(isNumber ? TelltaleTrigrams : trigrams.Length)
                .Select(t => $"\"{t.Replace("\"", "\"\"", StringComparison.Ordinal)}\"")
        );
    }
}
