using Dapper;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>Money of the demo that is banked on slips, and money that is paid back.</summary>
internal static class DemoCash
{
    // As many refunds as there are states that one can be in.
    private const int Refunds = 3;

    /// <summary>On Fridays what was taken by hand is banked; on the Wednesday after the bank has credited it.</summary>
    internal static void Bank(Tx tx, DateOnly day)
    {
        if (day.DayOfWeek == DayOfWeek.Friday)
            foreach (
                var slip in BatchDesk
                    .Waiting(tx.Connection, 0, BankingSlip.MostReceipts)
                    .GroupBy(r => (r.Method, r.Currency.Code))
            )
                BatchDesk.Make(tx, Own(tx, slip.Key.Code), day, [.. slip.Select(r => r.Posting)]);
        if (day.DayOfWeek == DayOfWeek.Wednesday)
            foreach (
                var slip in BatchDesk.All(tx.Connection, 0, 20).Where(b => b.SettledBy is null && b.Total > b.Reversed)
            )
                Credit(tx, slip, day);
    }

    /// <summary>Three customers with a credit get it back; one refund waits, one is ordered, one paid.</summary>
    internal static void PayBack(Tx tx, IEnumerable<DemoCustomer> customers, RefundDesk refunds, ItemStore items)
    {
        var done = 0;
        foreach (var customer in customers.Where(c => c.Account.Currency.Code == "GBP"))
        {
            var credit = items.Items(tx.Connection, customer.Account).FirstOrDefault(i => i.Left.Amount < -20);
            if (credit is null)
                continue;
            var number = refunds
                .Post(
                    tx,
                    customer.Account.Code,
                    a =>
                        new([credit.Id], -credit.Left, MadeUpIban.Of(a.Id), a.Name, "", "The customer asks for it back")
                )
                .Number;
            if (done < Refunds - 1)
                RefundDesk.Order(tx, Own(tx, "GBP"), null);
            if (done == 0)
            {
                var refund = RefundDesk.List(tx.Connection, 0, 1)[0];
                var paid = ClearedPosting.OfRefund(
                    Entry(tx, refund.Money, -1, number ?? ""),
                    refund.Money,
                    refund.Number,
                    DemoPolicies.Company.PaymentMethods[0],
                    tx.Rules()
                );
                Cleared.Note(tx, PostingStore.PostOutside(tx, "demo", paid), refund.Id, null);
            }

            if (++done == Refunds)
                return;
        }
    }

    /// <summary>
    /// Three receipts were posted on the wrong account: one is moved to where it belongs, of one nobody knows yet whose it
    /// is, and one was theirs after all.
    /// </summary>
    internal static void Move(Tx tx, IReadOnlyList<DemoCustomer> customers, ItemStore items)
    {
        var receipts = new ReceiptDesk(items);
        var desk = new MoveDesk(new(items), receipts, new(receipts), items);
        var wrong = customers
            .Where(c => c.Account.Currency.Code == "GBP")
            .Reverse()
            .Select(c => (c.Account, Entry: LastReceipt(tx, c.Account)))
            .Where(r => r.Entry is not null)
            .Take(4)
            .ToArray();
        for (var i = 0; i < 3; i++)
        {
            var to = i == 1 ? null : new EntryPlacement(wrong[3].Account.Code, null, "Paid for a sister company");
            var moved = desk.Post(tx, wrong[i].Entry!.Value, new(_ => null, to, "Posted on the wrong account"));
            if (i == 2)
            {
                ReversalDesk.Reverse(tx, moved.To!.EntryId, "It was theirs after all");
                ReversalDesk.Reverse(tx, moved.From.EntryId, "It was theirs after all");
            }
        }
    }

    // The smallest of the last month, so that little of the demo's picture changes.
    private static long? LastReceipt(Tx tx, Account account) =>
        tx.Connection.ExecuteScalar<long?>(
            """
            SELECT e.id FROM document d JOIN entry e ON e.id = d.entry_id
            WHERE d.account_id = @Id AND e.kind = @receipt AND d.date >= date(@BusinessDate, '-30 days')
                AND NOT EXISTS (SELECT 1 FROM entry r WHERE r.reverses = e.id)
            ORDER BY d.net LIMIT 1
            """,
            new
            {
                account.Id,
                receipt = PostingKind.Receipt,
                DemoPolicies.BusinessDate,
            }
        );

    private static void Credit(Tx tx, BankingBatch slip, DateOnly day)
    {
        var methods = DemoPolicies.Company.PaymentMethods;
        var posting = ClearedPosting.OfBatch(
            Entry(tx, slip.Expected, 1, slip.Number) with
            {
                Date = day,
                ValueDate = day,
            },
            slip.Expected,
            slip.Number,
            methods.First(m => m.Code == slip.Method),
            methods[0],
            "",
            tx.Actor.Authority,
            tx.Rules()
        );
        Cleared.Note(tx, PostingStore.PostOutside(tx, "demo", posting), null, slip.Id);
    }

    // As it would stand on a statement that was worked off before the demo began.
    private static BankEntry Entry(Tx tx, Money amount, int sign, string reference) =>
        new()
        {
            Reference = reference,
            Date = tx.Rules().Today,
            ValueDate = tx.Rules().Today,
            Amount = sign < 0 ? -amount : amount,
            Booked = true,
            EndToEnd = reference,
            Charges = Money.Zero(amount.Currency),
        };

    private static string Own(Tx tx, string currency) =>
        tx.Connection.ExecuteScalar<string>(
            "SELECT account FROM own_account WHERE currency = @currency",
            new { currency }
        )!;
}
