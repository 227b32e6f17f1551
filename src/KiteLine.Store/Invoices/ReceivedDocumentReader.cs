using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Looks at an electronic invoice or credit note: whose it is, when it is due, and everything that is wrong with it.
/// </summary>
public sealed class ReceivedDocumentReader(SqliteConnection connection, ItemStore items, BooksRules rules)
{
    private readonly List<string> _problems = [];

    /// <summary>What is seen of a document.</summary>
    /// <param name="Account">Null where no account is found.</param>
    /// <param name="Currency">Null where its code is none.</param>
    /// <param name="Due">Of several instalments the last; null where nothing says when.</param>
    /// <param name="Problems">Empty where it can be stored.</param>
    /// <param name="Decision">Null where it cannot.</param>
    public sealed record Seen(
        StatedDocument Document,
        Account? Account,
        Currency? Currency,
        DateOnly? Due,
        IReadOnlyList<string> Problems,
        ReceivedDocumentDesk.Decision? Decision
    );

    /// <summary>Looks at one. Nothing is written.</summary>
    public Seen Read(StatedDocument d)
    {
        ArgumentNullException.ThrowIfNull(d);
        _problems.Clear();
        _problems.AddRange(d.Totals.Problems());
        Text("The number", d.Number);
        Text("The reference", d.Reference);
        foreach (var line in d.Lines)
            Text($"The text of a line", line.Text, Bounds.FieldValue);
        Currency? currency = null;
        if (!Currency.TryOf(d.Currency, out var known))
            _problems.Add($"‘{d.Currency}’ is no ISO 4217 currency code.");
        else
            currency = known;
        var account = Try(() => BuyerFinder.Find(connection, d.BuyerIds, d.BuyerTaxIds, d.BuyerNames, d.Currency));
        if (account is not null && currency is not null && !ReferenceEquals(account.Currency, currency))
            _problems.Add(
                $"The account {account.Code} is kept in {account.Currency.Code}; the document is in {currency.Code}."
            );
        var usual = account is null ? null : Usual(account);
        var terms = Try(() => ReceivedTerms.Of(d, usual?.ToTerms()));
        var document =
            currency is not null && terms is not null && account is not null
                ? Try(() => ReceivedDocument.Of(d, currency, terms))
                : null;
        var decision =
            document is not null && _problems.Count == 0
                ? Try(() =>
                    ReceivedDocumentDesk.Decide(
                        connection,
                        items,
                        account!,
                        document,
                        terms!.Own
                            ? new(terms.Terms.ToString())
                            {
                                Conditions = terms.Terms.Conditions,
                                Printed = usual?.Printed ?? "",
                            }
                            : null,
                        d.Credits,
                        rules
                    )
                )
                : null;
        return new(
            d,
            account,
            currency,
            document?.DueUnder(rules) ?? d.Due ?? terms?.DueFrom(d.Date, rules),
            [.. _problems],
            _problems.Count == 0 ? decision : null
        );
    }

    private TermsDefinition Usual(Account account) =>
        PolicyStore.Find<TermsDefinition>(connection, PolicyKind.Terms, account.Terms)?.Definition
        ?? TermsDefinition.Checked(account.Terms);

    private void Text(string what, string text, int most = Bounds.Line)
    {
        if (TextBounds.Problem(text, most) is { } problem)
            _problems.Add($"{what}: {problem}");
    }

    private T? Try<T>(Func<T?> read)
        where T : class
    {
        try
        {
            return read();
        }
        catch (RefusedException e)
        {
            _problems.AddRange(e.Problems.Select(p => p.Message));
            return null;
        }
    }
}
