using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Posts opening documents that are typed in one by one, under the checks of the import.</summary>
public static class OpeningDesk
{
    /// <summary>What posting a document that was open before these books began would do.</summary>
    /// <param name="values">In the order of <see cref="OpenItemRow.Columns"/>; the first is the account.</param>
    /// <exception cref="RefusedException">Names every value that is wrong.</exception>
    public static Effect<string> Preview(
        SqliteConnection connection,
        string code,
        string[] values,
        Authority authority,
        BooksRules rules
    )
    {
        ArgumentNullException.ThrowIfNull(values);
        ArgumentNullException.ThrowIfNull(rules);
        var account = AccountStore.Get(connection, code);
        var problems = new List<FieldProblem>();
        if (
            !OpenItemRow.Check(
                values,
                account.Currency,
                (column, _, reason) => problems.Add(new(column, reason)),
                out var row
            )
        )
            throw new RefusedException(problems);
        RefuseBeyond(connection, account, row, authority, rules);
        rules.RefuseClosed(rules.Today, "date");
        if (Numbers.Revision(connection, account.Id, row.Document) is null)
            throw new RefusedException("document", OpeningImport.KnownDocument);
        var terms =
            row.Kind == ItemKind.Invoice
                ? PolicyStore.TermsOf(connection, values[9].Length > 0 ? values[9] : account.Terms)
                : null;
        var posting = Posting(row, terms, account.Currency, rules);
        return Effects.Shown(
            connection,
            account,
            rules.Today,
            posting.Lines,
            values[1],
            book => book.After(posting)
        ) with
        {
            Warnings = Duplicates(connection, account, row),
        };
    }

    // Its date is always an earlier one, which is what opening documents are.
    private static IReadOnlyList<DocumentWarning> Duplicates(
        SqliteConnection connection,
        Account account,
        OpenItemRow row
    ) =>
        DocumentWarnings.LikelyDuplicates(
            row.Kind,
            row.Date,
            Money.FromMinor(row.Net + row.Tax, account.Currency),
            row.Reference,
            EarlierDocuments.Of(connection, [account.Id], row.Kind, account.Currency)[account.Id]
        );

    /// <summary>Posts a document that was open before these books began.</summary>
    /// <exception cref="RefusedException">Names every value that is wrong.</exception>
    public static Effect<string> Post(Tx tx, string code, string[] values)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(values);
        var account = AccountStore.Get(tx.Connection, code);
        IReadOnlyList<DocumentWarning> warnings = [];
        return Effects.Around<string>(
            tx,
            account,
            () =>
            {
                var problems = new List<FieldProblem>();
                if (OpenItemRow.Check(values, account.Currency, (_, _, _) => { }, out var row))
                {
                    RefuseBeyond(tx.Connection, account, row, tx.Actor.Authority, tx.Rules());
                    warnings = Duplicates(tx.Connection, account, row);
                }

                using var import = new OpeningImport(
                    tx,
                    tx.BusinessDate(),
                    p => problems.Add(new(p.Column, p.Reason)),
                    only: account
                );
                var stored = import.OpenItem("", 0, values);
                if (!stored)
                    throw new RefusedException(problems);
                var entry = import.Finish("typed in");
                tx.Touch(account.Id);
                return (new Posted(entry[0], [], values[1]), LedgerView.Journal(tx.Connection, entry[0]), values[1]);
            }
        ) with
        {
            Warnings = warnings,
        };
    }

    private static void RefuseBeyond(
        SqliteConnection connection,
        Account account,
        OpenItemRow row,
        Authority authority,
        BooksRules rules
    ) =>
        OpeningAuthority.RefuseBeyond(
            row.Kind,
            Money.FromMinor(row.Open, account.Currency),
            takenBack: false,
            CompanyStore.Settings(connection).SettingUpEndedOn,
            authority,
            rules
        );

    private static Posting Posting(OpenItemRow row, Terms? terms, Currency currency, BooksRules rules)
    {
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        try
        {
            var items = OpeningItems
                .Of(row, terms, currency, rules.Calendar, rules.Rounding)
                .Select(i => new NewItem(i.Instalment, i.Due, [new(MovementKind.Opened, row.Date, Amount(i.Open))]))
                .ToArray();
            return new Posting
            {
                Kind = PostingKind.Opening,
                PostingDate = rules.Today,
                Text = "Open items imported",
                Documents =
                [
                    new()
                    {
                        Kind = row.Kind,
                        Number = row.Document,
                        Date = row.Date,
                        Net = Amount(row.Net),
                        Tax = Amount(row.Tax),
                        NotDiscountable = Amount(0),
                        Items = items,
                    },
                ],
                Lines = OpeningPosting.Lines(row.Kind, Amount(row.Kind == ItemKind.Invoice ? row.Open : -row.Open)),
            }.Checked();
        }
        catch (TermsException e)
        {
            throw new RefusedException("terms", e.Message);
        }
    }
}
