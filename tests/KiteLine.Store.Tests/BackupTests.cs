using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Backups are whole while others write, are verified, and take the place of nothing newer unasked.</summary>
public sealed class BackupTests : IDisposable
{
    private readonly DirectoryInfo _folder = Directory.CreateTempSubdirectory("kiteline-backup");
    private readonly TestBooks _books = new();

    public void Dispose()
    {
        _books.Dispose();
        _folder.Delete(recursive: true);
    }

    private string At(string name) => Path.Combine(_folder.FullName, name);

    private void Group(string name) => _books.Books.Write("tests", tx => GroupStore.Add(tx, name, null));

    private static long Groups(string path)
    {
        using var books = Books.Open(path);
        return books.Read(c => c.ExecuteScalar<long>("SELECT count(*) FROM account_group"));
    }

    [Fact]
    public async Task A_backup_that_is_made_while_others_write_is_whole()
    {
        var before = _books.Books.Read(c => c.ExecuteScalar<long>("SELECT changes FROM company"));
        using var stop = new CancellationTokenSource();
        var written = 0;
        var writing = Task.Run(() =>
        {
            while (!stop.IsCancellationRequested)
                Group($"Group {++written}");
        });
        SpinWait.SpinUntil(() => written > 20);
        var facts = Backup.Write(_books.Books, At("one.db"));
        stop.Cancel();
        await writing;
        facts.Head.Length.ShouldBe(64);
        // Each commit of the writer raised the count by one and added one group: the copy holds just the ones it counts.
        facts.Changes.ShouldBeGreaterThanOrEqualTo(before + 20);
        Groups(At("one.db")).ShouldBe(facts.Changes - before);
        using var copy = Books.Open(At("one.db"));
        copy.Read(c => Verifier.Check(c, facts.Head)).ShouldBeEmpty();
        copy.Read(c => Verifier.Check(c, new string('0', 64)))
            .ShouldHaveSingleItem()
            .ShouldContain("cut or written anew");
    }

    [Fact]
    public void A_backup_takes_the_place_of_no_file()
    {
        File.WriteAllText(At("one.db"), "something else");
        Should
            .Throw<RefusedException>(() => Backup.Write(_books.Books, At("one.db")))
            .Problems[0]
            .Field.ShouldBe("file");
        File.ReadAllText(At("one.db")).ShouldBe("something else");
    }

    [Fact]
    public void Books_that_do_not_verify_give_no_backup()
    {
        _books.Books.Write("tests", tx => tx.Connection.Execute("UPDATE policy SET is_current = 0"));
        Should
            .Throw<UnsoundBooksException>(() => Backup.Write(_books.Books, At("one.db")))
            .Message.ShouldContain("policies");
        _folder.GetFiles().ShouldBeEmpty();
    }

    [Fact]
    public void A_backup_is_put_back_and_what_was_there_is_kept_aside()
    {
        Group("Before");
        Backup.Write(_books.Books, At("one.db"));
        var data = At("data");
        Backup.Restore(At("one.db"), data, overNewer: false).File.ShouldBe(Path.Combine(data, "books.db"));
        Groups(Path.Combine(data, "books.db")).ShouldBe(1);
        using (var books = Books.Open(Path.Combine(data, "books.db")))
            books.Write("tests", tx => GroupStore.Add(tx, "After", null));

        Should
            .Throw<RefusedException>(() => Backup.Restore(At("one.db"), data, overNewer: false))
            .Message.ShouldContain("newer");
        Groups(Path.Combine(data, "books.db")).ShouldBe(2);
        Backup.Restore(At("one.db"), data, overNewer: true);
        Groups(Path.Combine(data, "books.db")).ShouldBe(1);
        var aside = Directory
            .GetFiles(data, "books.db.before-restore-*")
            .Where(f => !f.EndsWith("-shm", StringComparison.Ordinal));
        Groups(aside.ShouldHaveSingleItem()).ShouldBe(2);
    }

    [Fact]
    public void Books_that_are_served_are_not_restored_over()
    {
        Group("Before");
        Backup.Write(_books.Books, At("one.db"));
        var data = At("data");
        Backup.Restore(At("one.db"), data, overNewer: false);
        using var served = Books.Open(Path.Combine(data, "books.db"));
        using var open = served.Connect();
        open.ExecuteScalar<long>("SELECT count(*) FROM account_group").ShouldBe(1);
        Should
            .Throw<RefusedException>(() => Backup.Restore(At("one.db"), data, overNewer: true))
            .Message.ShouldContain("stop the server");
    }

    [Theory]
    [InlineData("")]
    [InlineData("This is a letter to nobody, and no database at all; it is long enough to be looked at as one. ....")]
    public void An_emptied_or_foreign_file_is_not_sound_and_nothing_is_written_into_it(string content)
    {
        File.WriteAllText(At("books.db"), content);
        Should.Throw<UnsoundBooksException>(() => Books.Open(At("books.db"))).Message.ShouldContain("restore");
        File.ReadAllText(At("books.db")).ShouldBe(content);
        Should.Throw<UnsoundBooksException>(() => Backup.Restore(At("books.db"), At("data"), false));
    }

    [Fact]
    public void The_database_of_another_program_is_left_alone()
    {
        using (var other = new SqliteConnection($"Data Source={At("books.db")};Pooling=False"))
        {
            other.Open();
            other.Execute("CREATE TABLE account (id INTEGER PRIMARY KEY)");
        }

        var before = File.ReadAllBytes(At("books.db"));
        Should.Throw<UnsoundBooksException>(() => Books.Open(At("books.db")));
        File.ReadAllBytes(At("books.db")).ShouldBe(before);
    }

    [Fact]
    public void A_damaged_file_is_told_in_words()
    {
        Backup.Write(_books.Books, At("one.db"));
        var bytes = File.ReadAllBytes(At("one.db"));
        Array.Fill(bytes, (byte)0x5A, 0, 4096);
        File.WriteAllBytes(At("one.db"), bytes);
        Should.Throw<UnsoundBooksException>(() => Books.Open(At("one.db"))).Message.ShouldContain("restore");
    }

    [Fact]
    public void Files_are_their_owners_alone()
    {
        if (OperatingSystem.IsWindows())
            return;
        var path = Path.Combine(At("fresh"), "books.db");
        using var books = Books.Open(path);
        books.Write("tests", tx => tx.Connection.Execute("CREATE TABLE any_table (id INTEGER)"));
        var everybody =
            UnixFileMode.GroupRead
            | UnixFileMode.GroupWrite
            | UnixFileMode.OtherRead
            | UnixFileMode.OtherWrite
            | UnixFileMode.GroupExecute
            | UnixFileMode.OtherExecute;
        foreach (var file in Directory.GetFileSystemEntries(At("fresh")).Append(At("fresh")))
            (File.GetUnixFileMode(file) & everybody).ShouldBe(UnixFileMode.None, file);
    }
}
