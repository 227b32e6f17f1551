using System.Globalization;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Puts messages into the outbox, and takes what is decided about them.</summary>
/// <param name="fill">Fills a template.</param>
/// <param name="newId">Makes an identification for a message from an address.</param>
public sealed class OutboxDesk(
    Func<string, IReadOnlyDictionary<string, object>, string> fill,
    Func<string, string> newId
)
{
    /// <summary>The message as it would go out.</summary>
    public DraftMessage Draft(
        SqliteConnection connection,
        Account account,
        MessageSubject subject,
        DeliveryDecision delivery
    )
    {
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(subject);
        ArgumentNullException.ThrowIfNull(delivery);
        if (delivery.Delivery == Delivery.Print)
            return new("", "");
        var settings = CompanyStore.Settings(connection);
        var text = MessageTemplate.For(settings.MessageTexts, subject.Purpose, account.Profile.Language);
        var values = new Dictionary<string, object>(StringComparer.Ordinal)
        {
            ["customer"] = account.Name,
            ["account"] = account.Code,
            ["company"] = settings.Name,
            ["number"] = subject.Number,
            ["date"] = Exactly.Day(subject.Date),
            ["amount"] =
                $"{subject.Amount.Amount.ToString($"N{subject.Amount.Currency.Decimals}", CultureInfo.InvariantCulture)} "
                + subject.Amount.Currency.Code,
            ["due"] = subject.Due is { } due ? Exactly.Day(due) : "",
        };
        return new(Short(fill(text.Subject, values).Trim()), fill(text.Body, values).Trim());
    }

    // Names of companies and documents may be long; a subject is a line.
    private static string Short(string subject) =>
        subject.Length <= Bounds.Line ? subject : subject[..(Bounds.Line - 1)] + "…";

    /// <summary>Puts a message into the outbox and gives its number.</summary>
    /// <exception cref="RefusedException">One about the same waits there already.</exception>
    public long Queue(
        Tx tx,
        Account account,
        MessageSubject subject,
        DeliveryDecision delivery,
        long? documentId,
        long? reminderId,
        (DateOnly From, DateOnly To)? period = null
    )
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        ArgumentNullException.ThrowIfNull(subject);
        ArgumentNullException.ThrowIfNull(delivery);
        if (OutboxStore.IsTakenBack(tx.Connection, documentId, reminderId))
            throw new RefusedException("number", $"{subject.Number} was taken back; it does not go out any more.");
        if (
            period is { } of
                ? OutboxStore.IsUnderWay(tx.Connection, account.Id, of.From, of.To)
                : OutboxStore.IsUnderWay(tx.Connection, documentId, reminderId)
        )
            throw new RefusedException(
                "number",
                $"{subject.Number} is in the outbox already and has not gone out; let that one go out, or withdraw it."
            );
        var draft = Draft(tx.Connection, account, subject, delivery);
        var first = MessageRule.First(delivery.Delivery);
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO message (account_id, purpose, document_id, reminder_id, number, delivery, recipients, subject, body,
                message_id, made_by, made_at, state, tries, due_at, period_from, period_to)
            VALUES (@Id, @Purpose, @documentId, @reminderId, @Number, @Delivery, @to, @Subject, @Body, @messageId, @Who,
                @Now, @first, 0, NULL, @from, @until) RETURNING id
            """,
            new
            {
                account.Id,
                subject.Purpose,
                documentId,
                reminderId,
                subject.Number,
                delivery.Delivery,
                to = string.Join("; ", delivery.To),
                draft.Subject,
                draft.Body,
                messageId = newId(tx.Settings().Mail.SenderAddress),
                tx.Who,
                tx.Now,
                first,
                from = period?.From,
                until = period?.To,
            }
        );
        OutboxStore.Step(tx, id, first, 0, first == MessageState.Waiting ? tx.Now : null, delivery.Note);
        return id;
    }

    /// <summary>Puts a view into the outbox, which is made when it goes, and gives its number there.</summary>
    public long Queue(Tx tx, MailedView view)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(view);
        var (settings, today) = (tx.Settings(), tx.BusinessDate());
        var text = MessageTemplate.For(settings.MessageTexts, MessagePurpose.View, "");
        var values = new Dictionary<string, object>(StringComparer.Ordinal)
        {
            ["customer"] = "",
            ["account"] = "",
            ["company"] = settings.Name,
            ["number"] = view.Name,
            ["date"] = Exactly.Day(today),
            ["amount"] = "",
            ["due"] = "",
        };
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO message (purpose, number, delivery, recipients, subject, body, message_id, made_by, made_at, state,
                tries, due_at, view)
            VALUES (@View, @Name, @Email, @Recipients, @subject, @body, @messageId, @Who, @Now, @Waiting, 0, NULL, @made)
                RETURNING id
            """,
            new
            {
                MessagePurpose.View,
                view.Name,
                Delivery.Email,
                view.Recipients,
                subject = Short(fill(text.Subject, values).Trim()),
                body = fill(text.Body, values).Trim(),
                messageId = newId(settings.Mail.SenderAddress),
                tx.Who,
                tx.Now,
                MessageState.Waiting,
                made = Json.Write(new ViewOfMessage(view.Report, view.Query, view.Format)),
            }
        );
        OutboxStore.Step(tx, id, MessageState.Waiting, 0, tx.Now, "");
        return id;
    }

    /// <summary>Does something about a message.</summary>
    /// <exception cref="NotThereException">There is no such message.</exception>
    /// <exception cref="RefusedException">It is not possible as the message stands.</exception>
    public static void Do(Tx tx, long id, MessageAct act, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(reason);
        TextBounds.Check("reason", reason);
        var message = OutboxStore.Get(tx.Connection, id);
        var state = MessageRule.After(message.State, act, message.Delivery);
        OutboxStore.Step(tx, id, state, 0, state == MessageState.Waiting ? tx.Now : null, reason.Trim());
        if (state is MessageState.Printed or MessageState.Sent)
            Log(tx, message, state);
        Audit.Record(tx, $"message:{id}", $"{act}", new { message.Number, message.Account }, reason);
    }

    /// <summary>Says of a message that it was printed, and keeps what was.</summary>
    /// <exception cref="NotThereException">There is no such message.</exception>
    /// <exception cref="RefusedException">It does not wait to be printed.</exception>
    public static void Print(Tx tx, long id, IReadOnlyList<MessageFile> files)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(files);
        Do(tx, id, MessageAct.Printed, "");
        OutboxSending.Keep(tx, id, files);
    }

    /// <summary>Writes into the account's log that a message went out.</summary>
    internal static void Log(Tx tx, StoredMessage message, MessageState state)
    {
        // What is about no account stands in no account's log.
        if (message.Account.Length == 0)
            return;
        var printed = state == MessageState.Printed;
        ContactLog.Add(
            tx,
            AccountStore.Get(tx.Connection, message.Account),
            printed ? ContactKind.Letter : ContactKind.Email,
            tx.BusinessDate(),
            "",
            printed
                ? $"{NameOf(message.Purpose)} {message.Number} was printed."
                : $"{NameOf(message.Purpose)} {message.Number} was sent to {message.Recipients}.",
            tx.BusinessDate()
        );
    }

    private static string NameOf(MessagePurpose purpose) =>
        purpose switch
        {
            MessagePurpose.Invoice => "Invoice",
            MessagePurpose.CreditNote => "Credit note",
            MessagePurpose.Receipt => "Receipt",
            MessagePurpose.Reminder => "Reminder",
            MessagePurpose.LateCharge => "Late charge",
            MessagePurpose.Statement => "Statement",
            MessagePurpose.View => "View",
            _ => throw new ArgumentOutOfRangeException(nameof(purpose), purpose, null),
        };
}
