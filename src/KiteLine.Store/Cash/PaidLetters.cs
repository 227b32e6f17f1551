using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Reminders that ask for more than their items, and the payments that paid them in full.</summary>
internal static class PaidLetters
{
    private sealed record Row
    {
        public long Id { get; init; }
        public string Number { get; init; } = "";
        public DateOnly Date { get; init; }
        public long Level { get; init; }
        public long Fee { get; init; }
        public long Interest { get; init; }
        public long? EntryId { get; init; }
        public long? ChargeEntryId { get; init; }
    }

    /// <summary>The account with the reminders that a payment may pay in full.</summary>
    internal static ReceiptTarget With(SqliteConnection connection, Account account, ReceiptTarget target)
    {
        var letters = Of(connection, account.Id, account.Currency, target.Open);
        if (letters.Count == 0)
            return target;
        var policy = PolicyStore.LateCharge(connection, account.LateChargePolicy);
        return target with
        {
            Letters = letters,
            Policy = policy,
            ChargeTax = policy is { TaxCode.Length: > 0 }
                ? PolicyStore.Find<TaxCode>(connection, PolicyKind.TaxCode, policy.TaxCode)?.Definition
                : null,
        };
    }

    /// <summary>Reminders of an account that stand and ask for more than their items, the latest first.</summary>
    /// <param name="open">Its open items; most accounts have none that was reminded of.</param>
    internal static IReadOnlyList<AskedLetter> Of(
        SqliteConnection connection,
        long account,
        Currency currency,
        IReadOnlyList<ItemDetail> open
    )
    {
        if (open.All(d => d.Letters.Count == 0))
            return [];
        var letters = connection
            .Query<Row>(
                """
                SELECT id, number, date, level, iif(fee_posted, 0, fee) + earlier_fees fee,
                    iif(charge_entry_id IS NULL, late_charge, 0) interest, entry_id, charge_entry_id
                FROM reminder r WHERE account_id = @account
                    AND NOT EXISTS (SELECT 1 FROM reminder_cancelled c WHERE c.reminder_id = r.id)
                ORDER BY date DESC, id DESC
                """,
                new { account }
            )
            .Where(r => r.Interest >= 0 && r.Fee + r.Interest > 0)
            .ToList();
        return [.. letters.Select(r => Of(connection, currency, r, open)).Where(l => l.Items.Count > 0)];
    }

    private static AskedLetter Of(
        SqliteConnection connection,
        Currency currency,
        Row letter,
        IReadOnlyList<ItemDetail> open
    )
    {
        var shown = connection
            .Query<(long Item, long Interest)>(
                "SELECT item_id, late_charge FROM reminder_item WHERE reminder_id = @Id",
                new { letter.Id }
            )
            .ToList();
        // One of an earlier version of the program says only what all of it comes to.
        var first = shown.Sum(s => s.Interest) == letter.Interest ? 0 : shown[0].Item;
        Money Amount(long minor) => Money.FromMinor(minor, currency);
        return new(
            letter.Number,
            letter.Date,
            (int)letter.Level,
            // What the letter posted itself names its number too.
            [.. open.Where(d => d.Letters.Contains(letter.Number, StringComparer.Ordinal)).Select(d => d.Item.Id)],
            Amount(letter.Fee),
            Amount(letter.Interest),
            shown.ToDictionary(
                s => s.Item,
                s =>
                    Amount(
                        first == 0 ? s.Interest
                        : s.Item == first ? letter.Interest
                        : 0
                    )
            )
        );
    }

    /// <summary>Notes what a payment of a reminder in full raised; its items are charged through its day.</summary>
    internal static void Note(
        Tx tx,
        Account account,
        LetterPaid letter,
        long payment,
        IReadOnlyList<(Posting Posting, long Entry)> raised
    )
    {
        foreach (var (posting, entry) in raised)
        {
            tx.Connection.Execute(
                """
                INSERT INTO letter_paid (entry_id, raised_entry_id, reminder_id)
                SELECT @payment, @entry, id FROM reminder WHERE account_id = @Id AND number = @Number
                """,
                new
                {
                    payment,
                    entry,
                    account.Id,
                    letter.Letter.Number,
                }
            );
            if (posting.Kind == PostingKind.LateCharge)
                Charge(tx, account, letter, entry);
        }
    }

    // The amounts stand as they were paid.
    private static void Charge(Tx tx, Account account, LetterPaid letter, long entry)
    {
        var policy = PolicyStore.Find<LateChargePolicy>(tx.Connection, PolicyKind.LateCharge, account.LateChargePolicy);
        foreach (var (item, amount) in letter.Charged)
            tx.Connection.Execute(
                """
                INSERT INTO charge_line (entry_id, item_id, through, former_through, amount, compensation, correction,
                    policy_id, as_raised)
                SELECT @entry, @item, @Through, (SELECT max(c.through) FROM charge_line c JOIN entry e ON e.id = c.entry_id
                        WHERE c.item_id = @item AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)),
                    @amount, 0, 0, @policy, 1
                """,
                new
                {
                    entry,
                    item,
                    letter.Through,
                    amount = amount.Minor,
                    policy = policy?.Id,
                }
            );
    }

    /// <summary>What a payment of a reminder in full raised, as far as it stands: it is reversed with it.</summary>
    internal static IReadOnlyList<long> RaisedBy(SqliteConnection connection, long payment) =>
        connection
            .Query<long>(
                """
                SELECT raised_entry_id FROM letter_paid l WHERE entry_id = @payment
                    AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = l.raised_entry_id) ORDER BY id
                """,
                new { payment }
            )
            .AsList();
}
