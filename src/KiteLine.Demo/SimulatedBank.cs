using Dapper;
using KiteLine.Core;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Demo;

/// <summary>
/// Stands in for the company's bank: who pays on a day, and how, is made up from what customers owe, the same whenever it is
/// asked before anything else happens. Its statements have what real ones have: several payments of one payer, batches,
/// references in fields and in text, charges kept, returns, amounts from abroad, what is pending, and debits.
/// </summary>
public sealed class SimulatedBank(Books books) : IBank
{
    private const int Payers = 18;
    private const int MostInTransit = 20;
    private readonly ItemStore _items = new(new VersionCache());

    /// <inheritdoc/>
    public byte[]? StatementOf(string account, Money opening, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        if (!BusinessCalendar.WeekendsOnly.IsBusinessDay(day))
            return null;
        var movements = books.Read(c => Movements(c, account, opening.Currency, day));
        // What was on it when it is asked for the first time.
        var before = opening.IsZero ? Money.Exact(84_210.17m, opening.Currency) : opening;
        return movements.Count == 0 ? null : StatementFile.Write(account, before, day, movements);
    }

    private List<IReadOnlyList<BankMovement>> Movements(
        SqliteConnection connection,
        string own,
        Currency currency,
        DateOnly day
    )
    {
        var random = new Random(HashCode(own, day));
        var codes = connection
            .Query<string>(
                """
                SELECT a.code FROM account a WHERE a.currency = @Code
                    AND EXISTS (SELECT 1 FROM item i WHERE i.account_id = a.id AND i.open > 0) ORDER BY a.id
                """,
                new { currency.Code }
            )
            .ToArray();
        random.Shuffle(codes);
        var paid = new List<BankMovement>();
        foreach (var code in codes.Take(Payers))
        {
            var account = AccountStore.Get(connection, code);
            var payer = new BankPayer(account, _items.Details(connection, account), day, random);
            if ((payer.Way(paid.Count) ?? payer.Way(0)) is { } movement)
                paid.Add(movement);
        }

        if (paid.Count == 0)
            return [];
        // The last of many come as one batch, one is not booked yet, and one was paid in euro.
        var entries = new List<IReadOnlyList<BankMovement>>();
        var single = paid.Count > 8 ? paid.Count - 3 : paid.Count;
        entries.AddRange(paid.Take(single).Select(m => (IReadOnlyList<BankMovement>)[m]));
        if (paid.Count > 8)
            entries.Add(paid[single..]);
        if (entries.Count > 6)
        {
            entries[5] = [entries[5][0] with { Pending = true }];
            entries[6] =
            [
                entries[6][0] with
                {
                    Foreign = Money.Exact(
                        Math.Round(entries[6][0].Amount.Amount * 1.18m, 2),
                        Currency.Of(currency.Code == "EUR" ? "USD" : "EUR")
                    ),
                },
            ];
        }

        entries.AddRange(InTransit(connection, own, currency).Select(m => (IReadOnlyList<BankMovement>)[m]));
        if (Return(connection, own, currency) is { } back)
            entries.Add([back]);
        if (day.Day <= 5 || day.Day is 16 or 17)
            entries.Add([new(Money.Exact(-12.50m, currency), "", "", "ACCOUNT CHARGES")]);
        return entries;
    }

    // What the bank was asked to pay, and what was banked; of the last of several slips a note was counted wrong.
    private static List<BankMovement> InTransit(SqliteConnection connection, string own, Currency currency)
    {
        var slips = BatchDesk
            .All(connection, 0, MostInTransit)
            .Where(b => b.Account == own && b.SettledBy is null && b.Expected.Minor > 0)
            .Reverse()
            .ToList();
        return
        [
            .. slips.Select(
                (s, i) =>
                    new BankMovement(
                        i > 0 && i == slips.Count - 1 && s.Expected.Amount > 100
                            ? s.Expected - Money.Exact(10, currency)
                            : s.Expected,
                        "",
                        "",
                        $"PAYING-IN {s.Number}"
                    )
            ),
            .. RefundDesk
                .List(connection, 0, MostInTransit)
                .Where(r => r.State == RefundState.Ordered && ReferenceEquals(r.Currency, currency))
                .Select(r => new BankMovement(-r.Money, r.Holder, r.BankAccount, $"REFUND {r.Number}")
                {
                    EndToEnd = r.Number,
                }),
        ];
    }

    // A payment that came in by a statement before, and is not returned yet, comes back.
    private static BankMovement? Return(SqliteConnection connection, string own, Currency currency)
    {
        var last = connection.QueryFirstOrDefault<(long Amount, string Payer, string Account, string EndToEnd)?>(
            """
            SELECT e.amount, e.payer, e.payer_account, e.end_to_end FROM bank_entry e
                JOIN own_account o ON o.id = e.own_account_id JOIN bank_entry_posted p ON p.entry_id = e.id
                JOIN entry x ON x.id = p.posting
            WHERE o.account = @own AND e.amount > 0 AND x.account_id IS NOT NULL
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = p.posting)
            ORDER BY e.id DESC
            """,
            new { own }
        );
        return last is { } l
            ? new(-Money.FromMinor(l.Amount, currency), l.Payer, l.Account)
            {
                EndToEnd = l.EndToEnd.Length > 0 ? l.EndToEnd : "NOTPROVIDED",
                Returned = "Refused by the payer's bank, no funds",
            }
            : null;
    }

    // A number that is the same in every run, unlike the hash of a string.
    private static int HashCode(string own, DateOnly day) =>
        own.Aggregate(day.DayNumber, (sum, c) => ((sum * 31) + c) % 1_000_003);
}
