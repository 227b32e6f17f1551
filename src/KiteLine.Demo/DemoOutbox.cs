using Dapper;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Demo;

/// <summary>Messages of the demo's last days: sent, refused, not known, held back, and waiting to be printed.</summary>
internal static class DemoOutbox
{
    // Of each kind as many as it takes to show it.
    private const int Invoices = 14;
    private const int Reminders = 4;
    private const int Held = 3;

    private static readonly SendOutcome[] Outcomes =
    [
        new SendOutcome.Taken([]),
        new SendOutcome.Taken([]),
        new SendOutcome.Refused("550 no such mailbox"),
        new SendOutcome.Taken([]),
        new SendOutcome.Refused("552 the mailbox is full"),
        new SendOutcome.Unsure("The line ended while the server was given the message."),
        new SendOutcome.Refused("550 no such mailbox"),
    ];

    internal static void Create(Books books, OutboxDesk outbox)
    {
        books.Write(
            "demo",
            tx =>
            {
                var held = 0;
                foreach (var id in Latest(tx, outbox))
                    if (held < Held && OutboxStore.Get(tx.Connection, id).State == MessageState.Waiting)
                    {
                        OutboxDesk.Do(tx, id, MessageAct.Hold, "The customer asked for a word first");
                        held++;
                    }

                return held;
            }
        );
        var sent = 0;
        var sending = new OutboxSending(books, (_, _) => [], _ => Outcomes[sent++ % Outcomes.Length]);
        while (sending.Next()) { }
    }

    private static List<long> Latest(Tx tx, OutboxDesk outbox) =>
        [
            .. tx
                .Connection.Query<(long Id, string Account, string Number, string Date, long Gross, string Due)>(
                    """
                    SELECT d.id, a.code, d.number, d.date, d.net + d.tax, max(i.due) FROM document d
                        JOIN account a ON a.id = d.account_id JOIN item i ON i.document_id = d.id
                    WHERE d.kind = @Invoice GROUP BY d.id ORDER BY d.id DESC LIMIT @Invoices
                    """,
                    new { ItemKind.Invoice, Invoices }
                )
                .Select(d =>
                    Queue(tx, outbox, MessagePurpose.Invoice, d.Account, d.Number, d.Date, d.Gross, d.Due, d.Id, null)
                ),
            .. tx
                .Connection.Query<(long Id, string Account, string Number, string Date, long Total, string PayBy)>(
                    """
                    SELECT r.id, a.code, r.number, r.date, r.total, r.pay_by FROM reminder r
                        JOIN account a ON a.id = r.account_id ORDER BY r.id DESC LIMIT @Reminders
                    """,
                    new { Reminders }
                )
                .Select(r =>
                    Queue(
                        tx,
                        outbox,
                        MessagePurpose.Reminder,
                        r.Account,
                        r.Number,
                        r.Date,
                        r.Total,
                        r.PayBy,
                        null,
                        r.Id
                    )
                ),
        ];

    private static long Queue(
        Tx tx,
        OutboxDesk outbox,
        MessagePurpose purpose,
        string code,
        string number,
        string date,
        long minor,
        string due,
        long? document,
        long? reminder
    )
    {
        var account = AccountStore.Get(tx.Connection, code);
        return outbox.Queue(
            tx,
            account,
            new(purpose, number, Day(date), Money.FromMinor(minor, account.Currency), Day(due)),
            // Many customers of the demo want paper; more of the last ones are e-mailed, so that each state is seen.
            DeliveryDecision.Of(
                (document ?? reminder) % 4 == 0 ? Delivery.Print : Delivery.Email,
                null,
                null,
                Recipients.For(purpose, account.Email, account.Profile)
            ),
            document,
            reminder
        );
    }

    private static DateOnly Day(string text) => DateOnly.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
}
