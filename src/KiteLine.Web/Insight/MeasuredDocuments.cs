using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Finds the documents of which a measure is made.</summary>
internal static class MeasuredDocuments
{
    internal static MeasuredDocumentsView Of(
        SqliteConnection connection,
        MeasuresReader asked,
        MeasuredPart part,
        int page,
        int size,
        Desk desk
    )
    {
        var accounts = asked.Scope.Accounts;
        var histories = part is MeasuredPart.DiscountsUsed or MeasuredPart.Sales
            ? desk.Measuring.Histories.Of(connection, accounts, asked.Book.Settings.Rounding)
            : [];
        var all = new List<(int Account, MeasuredDocument Document, decimal Weight)>();
        var (sums, before) = (new Dictionary<Currency, Int128>(), new Dictionary<Currency, Int128>());
        for (var i = 0; i < accounts.Length; i++)
        {
            var account = accounts[i];
            foreach (
                var document in part == MeasuredPart.DiscountsUsed
                    ? Discounts(account, histories[i], asked.Period)
                    : MeasuredDocument.Of(account, asked.Period, part)
            )
            {
                sums[account.Currency] = sums.GetValueOrDefault(account.Currency) + document.Minor;
                all.Add((i, document, Weight(document, account.Currency, asked)));
            }

            if (part == MeasuredPart.Sales)
                foreach (var sold in histories[i].PaidBefore)
                    if (asked.Period.Holds(sold.Date))
                        before[account.Currency] = before.GetValueOrDefault(account.Currency) + sold.Minor;
        }

        all.Sort((a, b) => a.Weight != b.Weight ? b.Weight.CompareTo(a.Weight) : a.Account.CompareTo(b.Account));
        var shown = all.Skip((page - 1) * size).Take(size).ToArray();
        var documents = RunStore.Items(
            connection,
            [.. shown.Select(d => accounts[d.Account].ItemIds[d.Document.Item]).Distinct()]
        );
        return new(
            asked.Period.From,
            asked.Period.To,
            part,
            all.Count,
            [
                .. shown.Select(d =>
                {
                    var account = accounts[d.Account];
                    return new MeasuredDocumentView(
                        account.Code,
                        account.Name,
                        documents.TryGetValue(account.ItemIds[d.Document.Item], out var of) ? of.Document : "",
                        account.Items[d.Document.Item].Kind,
                        d.Document.Day,
                        account.Currency.Code,
                        Money.FromMinor(d.Document.Minor, account.Currency),
                        d.Document.DaysToPay,
                        d.Document.DaysLate
                    );
                }),
            ],
            [
                .. sums
                    .Keys.Union(before.Keys)
                    .OrderBy(c => c.Code, StringComparer.Ordinal)
                    .Select(c => new MeasuredSumView(
                        c.Code,
                        new(sums.GetValueOrDefault(c), c),
                        new(before.GetValueOrDefault(c), c)
                    )),
            ]
        );
    }

    // By what it is worth in the base currency at about the rate of the last day, for the order alone.
    private static decimal Weight(MeasuredDocument document, Currency currency, MeasuresReader asked) =>
        ReferenceEquals(currency, asked.Book.Rates.Base)
            ? Math.Abs(document.Minor)
            : (decimal)(
                asked.Book.Rates.ToBase(new(Math.Abs(document.Minor), currency), asked.Period.To)?.Minor
                ?? Math.Abs(document.Minor)
            );

    private static IEnumerable<MeasuredDocument> Discounts(
        BookAccount account,
        AccountHistory history,
        MeasuredPeriod period
    )
    {
        foreach (var (item, outcome) in history.Discounts)
            if (
                outcome.Used.Minor > 0
                && period.Holds(outcome.Deadline)
                && Array.BinarySearch(account.ItemIds, item) is >= 0 and var at
            )
                yield return new(at, outcome.Deadline, outcome.Used.Minor);
    }
}
