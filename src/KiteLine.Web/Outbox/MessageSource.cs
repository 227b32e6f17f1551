using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;

namespace KiteLine.Web;

/// <summary>Finds what a message is about, and makes the files that it brings.</summary>
internal sealed class MessageSource(Desk desk)
{
    /// <param name="Wanted">The way that the customer wants, or that the level of a reminder says.</param>
    internal sealed record About(
        Account Account,
        MessageSubject Subject,
        Delivery Wanted,
        long? DocumentId,
        long? ReminderId,
        (DateOnly From, DateOnly To)? Period = null
    );

    /// <exception cref="RefusedException">Not exactly one thing is named.</exception>
    /// <exception cref="NotThereException">It is not there.</exception>
    internal About Of(SqliteConnection connection, SendRequest request)
    {
        var named = new[]
        {
            request.Document is null,
            request.Receipt is null,
            request.Reminder is null,
            request.Charge is null,
            request.Statement is null,
        };
        if (named.Count(missing => !missing) != 1)
            throw new RefusedException(
                "document",
                "Give a document, a receipt, a reminder, a late charge or a statement, and only one of them."
            );
        return request.Statement is { } statement ? OfStatement(connection, statement)
            : request.Charge is { } charge ? OfCharge(connection, charge)
            : request.Document is { } document ? OfDocument(connection, DocumentStore.Get(connection, document))
            : request.Receipt is { } entry ? OfReceipt(connection, entry)
            : OfReminder(connection, request.Reminder!);
    }

    internal About OfDocument(SqliteConnection connection, StoredDocument document)
    {
        var printed = DocumentPrinter.Of(connection, document, desk);
        return new(
            document.Account,
            new(
                document.Kind == ItemKind.Invoice ? MessagePurpose.Invoice : MessagePurpose.CreditNote,
                document.Number,
                document.Date,
                document.Content.Amounts.Gross,
                printed.Due
            ),
            document.Account.Profile.Delivery,
            document.Id,
            null
        );
    }

    private static About OfReceipt(SqliteConnection connection, long entry)
    {
        var receipt = ReceiptStore.Get(connection, entry);
        return new(
            receipt.Account,
            new(
                MessagePurpose.Receipt,
                receipt.Number,
                receipt.Date,
                Money.FromMinor(receipt.Amount, receipt.Account.Currency),
                null
            ),
            receipt.Account.Profile.Delivery,
            OutboxStore.DocumentOf(connection, entry),
            null
        );
    }

    private About OfStatement(SqliteConnection connection, StatementOfShape statement)
    {
        var account = AccountStore.Get(connection, statement.Account ?? "");
        var (from, to) = AccountStatementEndpoints.Period(statement.From, statement.To, desk.Today());
        return OfStatement(connection, account, from, to);
    }

    /// <summary>The statement of an account over a period.</summary>
    internal About OfStatement(SqliteConnection connection, Account account, DateOnly from, DateOnly to) =>
        new(
            account,
            new(
                MessagePurpose.Statement,
                PrintedStatement.NumberOf(account.Code, to),
                to,
                StatementPrinter.Of(connection, account, from, to, desk).Closing,
                null
            ),
            account.Profile.Delivery,
            null,
            null,
            (from, to)
        );

    private About OfCharge(SqliteConnection connection, long entry)
    {
        var charge = ChargeStore.Get(connection, entry, desk.Versions);
        return new(
            charge.Account,
            new(MessagePurpose.LateCharge, charge.Number, charge.Date, charge.Net + charge.Tax, charge.Date),
            charge.Account.Profile.Delivery,
            charge.DocumentId,
            null
        );
    }

    private static About OfReminder(SqliteConnection connection, string number)
    {
        var (id, code, wanted) = ReminderStore.Find(connection, number);
        var account = AccountStore.Get(connection, code);
        var issued = ReminderStore.Issued(connection, account).First(r => r.Id == id);
        return new(
            account,
            new(
                MessagePurpose.Reminder,
                issued.Number,
                issued.Date,
                Money.FromMinor(issued.Total, account.Currency),
                issued.PayBy
            ),
            wanted,
            null,
            id
        );
    }

    /// <summary>Puts a document that was just posted into the outbox, as its customer wants it.</summary>
    internal void Send(Tx tx, long entry) =>
        Queue(
            tx,
            OfDocument(tx.Connection, DocumentStore.Get(tx.Connection, OutboxStore.DocumentOf(tx.Connection, entry)))
        );

    /// <summary>Puts a receipt that was just posted into the outbox, as its customer wants it.</summary>
    internal void SendReceipt(Tx tx, long entry) => Queue(tx, OfReceipt(tx.Connection, entry));

    /// <summary>Puts a late charge that was just raised into the outbox, as its customer wants it.</summary>
    internal void SendCharge(Tx tx, long entry) => Queue(tx, OfCharge(tx.Connection, entry));

    /// <summary>Puts a reminder that was just issued into the outbox, by the way that its level says.</summary>
    internal void SendReminder(Tx tx, string number) => Queue(tx, OfReminder(tx.Connection, number));

    /// <summary>Puts it into the outbox and gives its number there.</summary>
    /// <param name="chosen">For this message alone; null for the way that is wanted.</param>
    /// <param name="typed">Addresses for this message alone; null for the customer's own.</param>
    internal long Queue(Tx tx, About about, Delivery? chosen = null, string? typed = null) =>
        desk.Outbox.Queue(
            tx,
            about.Account,
            about.Subject,
            Way(about, chosen, typed),
            about.DocumentId,
            about.ReminderId,
            about.Period
        );

    /// <summary>By which way it goes, and to whom.</summary>
    internal static DeliveryDecision Way(About about, Delivery? chosen, string? typed) =>
        DeliveryDecision.Of(
            about.Wanted,
            chosen,
            typed,
            Recipients.For(about.Subject.Purpose, about.Account.Email, about.Account.Profile)
        );

    /// <summary>What a message brings, made of what the books hold.</summary>
    /// <exception cref="RefusedException">It cannot be made.</exception>
    internal IReadOnlyList<MessageFile> Files(SqliteConnection connection, StoredMessage message)
    {
        switch (message.Purpose)
        {
            case MessagePurpose.View:
                return [desk.Views.File(Plain(message.Number), Json.Read<ViewOfMessage>(message.View!))];
            case MessagePurpose.Invoice or MessagePurpose.CreditNote:
            {
                var stored = DocumentStore.Get(connection, message.DocumentId!.Value);
                var printed = DocumentPrinter.Of(connection, stored, desk);
                var pdf = Pdf(message, InvoicePdf.Render(printed));
                return stored.Account.Profile.Electronic ? [pdf, Xml(message, UblWriter.Write(printed))] : [pdf];
            }
            case MessagePurpose.Receipt:
                return
                [
                    Pdf(
                        message,
                        ReceiptPdf.Render(
                            ReceiptPrinter.Of(
                                connection,
                                OutboxStore.EntryOf(connection, message.DocumentId!.Value),
                                desk
                            )
                        )
                    ),
                ];
            case MessagePurpose.LateCharge:
                return
                [
                    Pdf(
                        message,
                        ChargePdf.Render(
                            ChargePrinter.Of(
                                connection,
                                OutboxStore.EntryOf(connection, message.DocumentId!.Value),
                                desk
                            )
                        )
                    ),
                ];
            case MessagePurpose.Reminder:
            {
                var pdf = Pdf(message, ReminderStore.LetterOf(connection, message.Number));
                return AccountStore.Get(connection, message.Account).Profile.Electronic
                    ? [pdf, Xml(message, UblReminder.Write(ReminderStore.Printed(connection, message.Number)))]
                    : [pdf];
            }
            case MessagePurpose.Statement:
            {
                var account = AccountStore.Get(connection, message.Account);
                var printed = StatementPrinter.Printed(
                    connection,
                    account,
                    message.PeriodFrom!.Value,
                    message.PeriodTo!.Value,
                    desk
                );
                var pdf = Pdf(message, StatementPdf.Render(printed));
                return account.Profile.Electronic ? [pdf, Xml(message, UblStatement.Write(printed))] : [pdf];
            }
            default:
                throw new ArgumentOutOfRangeException(nameof(message), message.Purpose, null);
        }
    }

    private static MessageFile Pdf(StoredMessage message, byte[] content) =>
        new($"{Plain(message.Number)}.pdf", "application/pdf", content);

    private static MessageFile Xml(StoredMessage message, byte[] content) =>
        new($"{Plain(message.Number)}.xml", "application/xml", content);

    // A number may hold what no name of a file may.
    internal static string Plain(string number) =>
        string.Concat(number.Select(c => char.IsLetterOrDigit(c) || c is '-' or '_' or '.' ? c : '-'));
}
