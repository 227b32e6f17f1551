using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Sends what waits in the outbox, one message after the other. That a message is being sent is written down before the
/// mail server is given it, and what came of it afterwards: after whatever ended the program it is known of each message
/// that it was not given to the server, or that it may have been.
/// </summary>
/// <param name="files">Makes the files of a message.</param>
/// <param name="send">Gives it to the mail server.</param>
/// <param name="kept">Of whoever sends one time after the other, so that what came of a message is not lost between two
/// times.</param>
public sealed class OutboxSending(
    Books books,
    Func<SqliteConnection, StoredMessage, IReadOnlyList<MessageFile>> files,
    Func<OutgoingMessage, SendOutcome> send,
    UntoldOutcome? kept = null
)
{
    private readonly UntoldOutcome _untold = kept ?? new();

    private const string Who = "outbox";

    /// <summary>What was being sent when the program ended may have gone out: it waits for somebody to say.</summary>
    public static int AfterStart(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        if (books.Read(OutboxStore.Interrupted).Count == 0)
            return 0;
        return books.Write(
            Who,
            tx =>
            {
                var ids = OutboxStore.Interrupted(tx.Connection);
                foreach (var id in ids)
                    OutboxStore.Step(
                        tx,
                        id,
                        MessageState.Unsure,
                        OutboxStore.Get(tx.Connection, id).Tries,
                        null,
                        "The program ended while the mail server was given this message; it may have gone out."
                    );
                return ids.Count;
            }
        );
    }

    /// <summary>Whether the turn of any message has come.</summary>
    public static bool HasDue(Books books)
    {
        ArgumentNullException.ThrowIfNull(books);
        var now = Times.Text(books.Clock.GetUtcNow());
        return books.Read(c => OutboxStore.Due(c, now) is not null);
    }

    /// <summary>Sends the next message whose turn it is; false where there is none.</summary>
    public bool Next()
    {
        void Write(long of, SendOutcome outcome) => books.Write(Who, tx => Ended(tx, of, outcome));
        _untold.Write(Write);
        var now = Times.Text(books.Clock.GetUtcNow());
        if (books.Read(c => OutboxStore.Due(c, now)) is not { } id)
            return false;
        // Made before anything is written: others do not wait for it.
        var (message, made, why) = books.Read(c => Made(c, OutboxStore.Get(c, id)));
        if (why is not null)
        {
            books.Write(Who, tx => Ended(tx, id, new SendOutcome.Refused(why)));
            return true;
        }

        var outgoing = books.Write(Who, tx => Begin(tx, message, made));
        if (outgoing is null)
            return true;
        _untold.Write(id, send(outgoing), Write);
        return true;
    }

    private (StoredMessage Message, IReadOnlyList<MessageFile> Files, string? Why) Made(
        SqliteConnection connection,
        StoredMessage message
    )
    {
        try
        {
            // What was sent once is sent again as it was.
            var kept = OutboxStore.Contents(connection, message.Id);
            return (message, kept.Count > 0 ? kept : files(connection, message), null);
        }
        // It waits for somebody, and the others go.
        catch (Exception e) when (e is not (OutOfMemoryException or SqliteException or OperationCanceledException))
        {
            return (message, [], $"Its document cannot be made: {e.Message}");
        }
    }

    // Null where somebody decided something about it meanwhile.
    private static OutgoingMessage? Begin(Tx tx, StoredMessage message, IReadOnlyList<MessageFile> made)
    {
        var now = OutboxStore.Get(tx.Connection, message.Id);
        if (now.State != MessageState.Waiting)
            return null;
        Keep(tx, message.Id, made);
        OutboxStore.Step(tx, message.Id, MessageState.Sending, now.Tries + 1, null, "");
        var settings = tx.Settings();
        return new(
            message.MessageId,
            settings.Mail.SenderName is { Length: > 0 } name ? name : settings.Name,
            settings.Mail.SenderAddress,
            EmailAddresses.Of(message.Recipients),
            message.Subject,
            message.Body,
            tx.Clock.GetUtcNow(),
            made
        );
    }

    /// <summary>Keeps the files of a message as it goes out, where they are not kept already.</summary>
    internal static void Keep(Tx tx, long id, IReadOnlyList<MessageFile> files)
    {
        if (OutboxStore.Files(tx.Connection, id).Count > 0)
            return;
        foreach (var file in files)
            tx.Connection.Execute(
                "INSERT INTO message_file (message_id, name, media_type, content) VALUES (@id, @Name, @MediaType, @Content)",
                new
                {
                    id,
                    file.Name,
                    file.MediaType,
                    file.Content,
                }
            );
    }

    private static bool Ended(Tx tx, long id, SendOutcome outcome)
    {
        var message = OutboxStore.Get(tx.Connection, id);
        var decision = SendDecision.Of(outcome, Math.Max(1, message.Tries));
        var dueAt = decision.Wait is { } wait ? Times.Text(tx.Clock.GetUtcNow() + wait) : null;
        OutboxStore.Step(tx, id, decision.State, message.Tries, dueAt, decision.Detail);
        if (decision.State == MessageState.Sent)
            OutboxDesk.Log(tx, message, decision.State);
        return true;
    }
}
