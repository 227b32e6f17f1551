using System.Security.Cryptography;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>Files kept with accounts, in the books themselves, so that a copy of the books holds them too.</summary>
public static class AttachmentStore
{
    /// <summary>Keeps a file.</summary>
    /// <exception cref="RefusedException">It is empty, too large, of no kind that is kept, not what its name
    /// says, or one too many.</exception>
    public static Attachment Add(Tx tx, Account account, string name, byte[] content, string note)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        var kept = AttachmentKind.FileName(name);
        var kind = AttachmentKind.Of(kept, content);
        if (kind.Problem is { } problem)
            throw new RefusedException("file", problem);
        if (note.Length > 500)
            throw new RefusedException("note", "A note has up to 500 characters.");
        TextBounds.Check("note", note, 500, lines: true);
        var held = tx.Connection.ExecuteScalar<long>(
            "SELECT count(*) FROM attachment WHERE account_id = @Id",
            new { account.Id }
        );
        if (held >= Bounds.Attachments)
            throw new RefusedException(
                "file",
                $"An account keeps up to {Bounds.Attachments} files; remove one that is no longer needed."
            );
        var id = tx.Connection.ExecuteScalar<long>(
            """
            INSERT INTO attachment (account_id, name, media_type, size, sha256, content, note, added_by, added_at)
            VALUES (@Id, @kept, @MediaType, @Length, @hash, @content, @note, @Who, @Now) RETURNING id
            """,
            new
            {
                account.Id,
                kept,
                kind.MediaType,
                content.Length,
                hash = Convert.ToHexStringLower(SHA256.HashData(content)),
                content,
                note = note.Trim(),
                tx.Who,
                tx.Now,
            }
        );
        Audit.Record(
            tx,
            $"account:{account.Code}",
            "attached",
            new { file = kept, bytes = content.Length },
            note.Trim()
        );
        return Of(tx.Connection, account).First(a => a.Id == id);
    }

    /// <summary>The files of an account, latest first.</summary>
    public static IReadOnlyList<Attachment> Of(SqliteConnection connection, Account account)
    {
        ArgumentNullException.ThrowIfNull(account);
        return connection
            .Query<Attachment>(
                "SELECT id, name, media_type, size, note, added_by, added_at FROM attachment WHERE account_id = @Id "
                    + "ORDER BY id DESC",
                new { account.Id }
            )
            .AsList();
    }

    /// <summary>A file with its content.</summary>
    /// <exception cref="NotThereException">The account has none of this identifier.</exception>
    public static (Attachment File, byte[] Content) Get(SqliteConnection connection, Account account, long id)
    {
        var file =
            Of(connection, account).FirstOrDefault(a => a.Id == id)
            ?? throw new NotThereException("attachment", $"{id}");
        return (file, connection.ExecuteScalar<byte[]>("SELECT content FROM attachment WHERE id = @id", new { id })!);
    }

    /// <summary>Takes a file out. That it was there, and why it went, stays in the audit log.</summary>
    public static void Remove(Tx tx, Account account, long id, string reason)
    {
        ArgumentNullException.ThrowIfNull(tx);
        ArgumentNullException.ThrowIfNull(account);
        Reason.Needed(reason);
        var (file, _) = Get(tx.Connection, account, id);
        tx.Connection.Execute("DELETE FROM attachment WHERE id = @id", new { id });
        Audit.Record(tx, $"account:{account.Code}", "took out a file", new { file = file.Name }, reason.Trim());
    }
}
