using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;
using Microsoft.Data.Sqlite;
using Serilog;

namespace KiteLine.Web;

/// <summary>What endpoints work with: the books, the snapshot of them, and the desks that post.</summary>
internal sealed class Desk : IDisposable
{
    internal Desk(Books books, bool isDemo)
    {
        Books = books;
        IsDemo = isDemo;
        Versions = new();
        Items = new(Versions);
        Ledgers = new(Items);
        Receipts = new(Items);
        Bank = new(Items);
        Slips = new(Items);
        Unassigned = new(Receipts);
        Refunds = new(Items);
        Statements = new(this);
        Allocations = new(Items);
        Corrections = new(Items);
        Moves = new(Corrections, Receipts, Unassigned, Items);
        CreditNotes = new(Items);
        Amendments = new(Items);
        Messages = new(this);
        Outbox = new(LiquidText.Fill, MailFile.NewId);
        LateCharges = new(Ledgers);
        Reminders = new(Ledgers, LetterPdf.Render);
        Proposals = new(Ledgers, Versions);
        Runs = new(Ledgers, Proposals);
        RunPosting = new(books, Ledgers, Reminders, Messages.SendCharge, Messages.SendReminder);
        Snapshots = new(books);
        Scheduling = new(books, Runs, () => Snapshots.Current.Accounts);
        Discounts = new(Items, Versions);
        Measuring = new(this);
        WhatIfs = new();
        Views = new();
        MailedViews = new(books, Outbox);
        Boards = new(this);
        Needs = new(this);
    }

    internal Books Books { get; }

    internal bool IsDemo { get; }

    internal VersionCache Versions { get; }

    internal ItemStore Items { get; }

    internal EndingDiscountStore Discounts { get; }

    internal AccountLedgers Ledgers { get; }

    internal ReceiptDesk Receipts { get; }

    internal BankDesk Bank { get; }

    internal SlipDesk Slips { get; }

    internal UnassignedDesk Unassigned { get; }

    internal RefundDesk Refunds { get; }

    internal ProposedLines Statements { get; }

    internal AllocationDesk Allocations { get; }

    internal CorrectionDesk Corrections { get; }

    internal MoveDesk Moves { get; }

    internal CreditNoteDesk CreditNotes { get; }

    internal AmendmentDesk Amendments { get; }

    internal MessageSource Messages { get; }

    internal OutboxDesk Outbox { get; }

    internal LateChargeDesk LateCharges { get; }

    internal ReminderDesk Reminders { get; }

    internal RunProposals Proposals { get; }

    internal RunDesk Runs { get; }

    internal RunPosting RunPosting { get; }

    internal RunScheduling Scheduling { get; }

    internal SnapshotKeeper Snapshots { get; }

    internal Measuring Measuring { get; }

    internal WhatIfDesk WhatIfs { get; }

    internal ViewFiles Views { get; }

    internal MailedViewScheduling MailedViews { get; }

    internal BoardCache Boards { get; }

    internal TodayCache Needs { get; }

    /// <summary>The company's today.</summary>
    internal DateOnly Today(CompanySettings settings) => CompanyStore.BusinessDate(settings, Books.Clock);

    internal DateOnly Today() => Today(Snapshots.Current.Settings);

    /// <summary>The rules of the company's today.</summary>
    internal BooksRules Rules(Microsoft.Data.Sqlite.SqliteConnection connection) =>
        Store.Rules.Of(connection, Today(CompanyStore.Settings(connection)));

    /// <summary>
    /// Writes what a request asks for, once: where it bears a key, its whole answer is kept in the same transaction,
    /// and a request that was carried out meanwhile is not carried out again.
    /// </summary>
    internal T Write<T>(HttpContext context, Func<Tx, T> work) =>
        Books.Write(
            context.Who(),
            tx =>
            {
                var marked = Idempotency.Of(context);
                if (marked is not null && Requests.Earlier(tx.Connection, marked) is not null)
                    throw new AnsweredMeanwhileException();
                var answer = work(tx);
                if (marked is not null)
                    Requests.Keep(tx, marked, Idempotency.Answer(context, answer));
                return answer;
            }
        );

    /// <summary>Opens an existing account with the reader's connection.</summary>
    internal T Read<T>(string code, Func<Microsoft.Data.Sqlite.SqliteConnection, Account, T> read) =>
        Books.Read(connection => read(connection, AccountStore.Get(connection, code)));

    public void Dispose()
    {
        try
        {
            Snapshots.KeepCopy();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or SqliteException)
        {
            Log.Warning(e, "No copy of the book is kept, so the next start takes longer");
        }

        Snapshots.Dispose();
    }
}
