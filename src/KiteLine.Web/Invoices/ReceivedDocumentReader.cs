using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>
/// Looks at an electronic invoice or credit note: whose it is, when it is due, and everything that is wrong with it.
/// </summary>
internal sealed class ReceivedDocumentReader(SqliteConnection connection, ItemStore items, BooksRules rules)
{
    // As many decimals as a unit price may have.
    private const int PriceDecimals = 12;

    private readonly List<string> _problems = [];

    /// <summary>What is seen of a document.</summary>
    /// <param name="Decision">Null where it cannot be stored.</param>
    internal sealed record Seen(DocumentEntry Entry, ReceivedDocumentDesk.Decision? Decision);

    /// <summary>A file that cannot be read at all.</summary>
    internal static DocumentEntry Unreadable(string file, string problem) =>
        new(file, "", ItemKind.Invoice, null, null, null, null, null, null, [problem]);

    internal Seen Read(UblDocument d, string file)
    {
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
        var terms = Try(() => ReceivedTerms.Of(d, usual));
        var document =
            currency is not null && terms is not null && account is not null
                ? Try(() => Document(d, currency, terms))
                : null;
        var decision =
            document is not null && _problems.Count == 0
                ? Try(() =>
                    ReceivedDocumentDesk.Decide(connection, items, account!, document, terms!.Own, d.Credits, rules)
                )
                : null;
        return new(
            new(
                file,
                d.Number,
                d.Kind,
                account?.Code,
                d.Date,
                document?.DueUnder(rules) ?? d.Due ?? terms?.DueFrom(d.Date, rules),
                Amount(d.Totals.Net, currency),
                Amount(d.Totals.Tax, currency),
                Amount(d.Totals.Gross, currency),
                [.. _problems]
            ),
            _problems.Count == 0 ? decision : null
        );
    }

    private TermsDefinition Usual(Account account) =>
        PolicyStore.Find<TermsDefinition>(connection, PolicyKind.Terms, account.Terms)?.Definition
        ?? TermsDefinition.Checked(account.Terms);

    private static ReceivedDocument Document(UblDocument d, Currency currency, ReceivedTerms terms)
    {
        Money Exact(decimal amount) =>
            currency.Fits(amount)
                ? Money.Exact(amount, currency)
                : throw new RefusedException(
                    "amount",
                    $"{Core.Exactly.Plain(amount)} has more decimals than {currency.Code} has."
                );
        var gross = Exact(d.Totals.Gross);
        return new(
            d.Kind,
            d.Number,
            d.Date,
            new(
                new(Exact(d.Totals.Net), Exact(d.Totals.Tax), Money.Zero(currency)),
                [
                    .. d.Lines.Select(l => new DocumentLine(
                        l.Text,
                        l.Quantity,
                        decimal.Round(l.UnitPrice, PriceDecimals),
                        Exact(l.Net),
                        l.Category
                    )),
                ],
                [
                    .. d.Taxes.Select(t => new DocumentTax(
                        t.Category,
                        t.Scheme,
                        t.Percent,
                        Exact(t.Taxed),
                        Exact(t.Amount)
                    )),
                ]
            ),
            Exact(d.Totals.Payable),
            terms.Instalments(gross),
            terms.Terms,
            d.Reference
        );
    }

    private static string Amount(decimal amount, Currency? currency) =>
        currency is not null && currency.Fits(amount) ? $"{Money.Exact(amount, currency)}" : Exactly.Plain(amount);

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
