using KiteLine.Core;
using KiteLine.Formats;
using KiteLine.Store;

namespace KiteLine.Web;

/// <summary>What endpoints work with: the books, the snapshot of them, and the desks that post.</summary>
internal sealed class Desk : IDisposable
{
    internal Desk(Books books, bool isDemo)
    {
        Books = books;
        IsDemo = isDemo;
        Items = new(new VersionCache());
        Receipts = new(Items);
        LateCharges = new(Items);
        Reminders = new(Items, LateCharges, LetterPdf.Render);
        Snapshots = new(books);
        Boards = new(this);
    }

    internal Books Books { get; }

    internal bool IsDemo { get; }

    internal ItemStore Items { get; }

    internal ReceiptDesk Receipts { get; }

    internal LateChargeDesk LateCharges { get; }

    internal ReminderDesk Reminders { get; }

    internal SnapshotKeeper Snapshots { get; }

    internal BoardCache Boards { get; }

    /// <summary>The company's today.</summary>
    internal DateOnly Today(CompanySettings settings) => CompanyStore.BusinessDate(settings, Books.Clock);

    internal DateOnly Today() => Today(Snapshots.Current.Settings);

    /// <summary>Opens an existing account with the reader's connection.</summary>
    internal T Read<T>(string code, Func<Microsoft.Data.Sqlite.SqliteConnection, Account, T> read) =>
        Books.Read(connection => read(connection, AccountStore.Get(connection, code)));

    public void Dispose() => Snapshots.Dispose();
}
