using System.Runtime.CompilerServices;
using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;

namespace KiteLine.Store;

/// <summary>
/// Keeps the paper of each document as it was when it was posted: letterhead, addressee, and the sentences that follow
/// from policies of that day. A document of before, or one that came in from elsewhere, is printed as the books are now.
/// </summary>
public static class DocumentPapers
{
    // The company's paper is looked for once in each transaction.
    private static readonly ConditionalWeakTable<Tx, object> Known = [];

    private sealed record Kept(string Name, IReadOnlyList<string> Address, IReadOnlyList<string> Foot);

    private sealed record Row
    {
        public string Text { get; init; } = "";
        public long? LetterheadId { get; init; }
        public string Addressee { get; init; } = "";
        public string LateCharge { get; init; } = "";
        public string Exemption { get; init; } = "";
    }

    /// <summary>Keeps the paper of a document that is posted.</summary>
    internal static void Keep(Tx tx, Account account, long document, NewDocument posted)
    {
        if (posted.Kind is not (ItemKind.Invoice or ItemKind.CreditNote or ItemKind.LateCharge))
            return;
        var policy =
            posted.Kind == ItemKind.Invoice ? PolicyStore.LateCharge(tx.Connection, account.LateChargePolicy) : null;
        using var row = Prepared.Kept(
            tx.Connection,
            """
            INSERT INTO document_paper (document_id, paper_id, addressee, late_charge, exemption)
            VALUES (?1, ?2, ?3, ?4, ?5)
            """
        );
        row.Bind(1, document);
        row.Bind(2, Company(tx));
        row.Bind(3, Json.Write(Paper.To(account)));
        row.Bind(4, DocumentWords.LateCharge(policy, posted.Date));
        row.Bind(
            5,
            posted.Kind == ItemKind.LateCharge
                ? ""
                : DocumentWords.Exemption(account.Profile.Exemption, posted.Date, posted.Tax)
        );
        row.Run();
    }

    /// <summary>Keeps the paper of a reminder that is issued.</summary>
    internal static void KeepReminder(Tx tx, Account account, long reminder)
    {
        using var row = Prepared.Kept(
            tx.Connection,
            "INSERT INTO reminder_paper (reminder_id, paper_id, addressee) VALUES (?1, ?2, ?3)"
        );
        row.Bind(1, reminder);
        row.Bind(2, Company(tx));
        row.Bind(3, Json.Write(Paper.To(account)));
        row.Run();
    }

    /// <summary>The paper of a document; null where none was kept.</summary>
    public static PaperOfDocument? Of(SqliteConnection connection, long document) =>
        Read(
            connection,
            connection.QuerySingleOrDefault<Row>(
                """
                SELECT p.text, p.letterhead_id, d.addressee, d.late_charge, d.exemption
                FROM document_paper d JOIN paper p ON p.id = d.paper_id WHERE d.document_id = @document
                """,
                new { document }
            )
        );

    /// <summary>The paper of a reminder; null where none was kept.</summary>
    internal static PaperOfDocument? OfReminder(SqliteConnection connection, long reminder) =>
        Read(
            connection,
            connection.QuerySingleOrDefault<Row>(
                """
                SELECT p.text, p.letterhead_id, r.addressee
                FROM reminder_paper r JOIN paper p ON p.id = r.paper_id WHERE r.reminder_id = @reminder
                """,
                new { reminder }
            )
        );

    private static PaperOfDocument? Read(SqliteConnection connection, Row? row)
    {
        if (row is null)
            return null;
        var kept = Json.Read<Kept>(row.Text);
        return new(
            new(kept.Name, kept.Address, kept.Foot)
            {
                Picture = row.LetterheadId is { } id ? LetterheadStore.Picture(connection, id) : [],
            },
            Json.Read<Addressee>(row.Addressee),
            row.LateCharge,
            row.Exemption
        );
    }

    // The paper that the company has now, which is added where it is new. It changes a few times in years.
    private static long Company(Tx tx)
    {
        if (Known.TryGetValue(tx, out var known))
            return (long)known;
        var settings = tx.Settings();
        var text = Json.Write(new Kept(settings.Name, settings.Address, settings.LetterFoot));
        var letterhead = LetterheadStore.Current(tx.Connection);
        var last = tx.Connection.QueryFirstOrDefault<(long Id, string Text, long? Letterhead)?>(
            "SELECT id, text, letterhead_id FROM paper ORDER BY id DESC LIMIT 1"
        );
        var id =
            last is { } l && l.Text == text && l.Letterhead == letterhead
                ? l.Id
                : tx.Connection.ExecuteScalar<long>(
                    "INSERT INTO paper (letterhead_id, text) VALUES (@letterhead, @text) RETURNING id",
                    new { letterhead, text }
                );
        Known.Add(tx, id);
        return id;
    }
}
