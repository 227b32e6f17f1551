using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>A start from the copy shows what the rows say, and a copy that is not of just these books is passed over.</summary>
public sealed class BookCopyTests : IDisposable
{
    private readonly TestBooks _t = new();

    private string Copy => BookCopy.PathOf(_t.Path);

    public void Dispose() => _t.Dispose();

    private void WorkAndStop()
    {
        var first = _t.Invoice(100, "2026-01-05", 20);
        var second = _t.Invoice(900, "2026-02-10", terms: "40% now, rest 20");
        _t.Pay(60, "2026-02-01", first);
        _t.Pay(500, "2026-03-01", second);
        _t.Write(tx => AccountStore.Open(tx, new("Without Items")));
        Stop();
    }

    private void Stop()
    {
        using var keeper = new SnapshotKeeper(_t.Books);
        _ = keeper.Current;
        keeper.KeepCopy();
    }

    private BookAccount[] FromRows() => _t.Books.Read(BookLoader.Load);

    private BookAccount[] Started() => _t.Books.Read(c => BookLoader.Load(_t.Books, c));

    private bool IsTaken() =>
        _t.Books.Read(c => BookCopy.Open(c)?.Of(FromRows().Select((a, i) => (a.Id, i)).ToDictionary()) is not null);

    private static void ShouldBeTheSame(BookAccount[] ours, BookAccount[] theirs)
    {
        ours.Select(a => a.Code).ShouldBe(theirs.Select(a => a.Code));
        foreach (var (a, b) in ours.Zip(theirs))
        {
            a.Items.ShouldBe(b.Items);
            a.ItemIds.ShouldBe(b.ItemIds);
            a.Movements.ShouldBe(b.Movements);
        }
    }

    [Fact]
    public void A_start_from_the_copy_shows_what_the_rows_say()
    {
        WorkAndStop();
        IsTaken().ShouldBeTrue();
        ShouldBeTheSame(Started(), FromRows());
        // By hand: 60 of the first invoice's 120, none of the second one's 360, all of its 540, nothing of the first
        // payment, and 140 of the second on account.
        Started().Single(a => a.Code == "PEL01").Items.Select(i => i.Open).ShouldBe([6000, 0, 54000, 0, -14000]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Accounts_of_very_many_movements_are_kept_in_parts_of_their_own()
    {
        WorkAndStop();
        var told = FromRows();
        var account = Array.FindIndex(told, a => a.Items.Length > 0);
        var many = Enumerable.Repeat(told[account].Movements, 30_000).SelectMany(m => m).ToArray();
        BookAccount[] large = [told[account] with { Movements = many }, told[1 - account], told[account]];
        large[1] = large[1] with { Movements = many };
        large[2] = large[2] with { Id = 3 };
        var stamp = _t.Books.Read(BookCopyStamp.Of)!;
        File.Delete(Copy);
        BookCopy.Keep(_t.Path, stamp, large);
        var places = large.Select((a, i) => (a.Id, i)).ToDictionary();
        var held = _t.Books.Read(c => BookCopy.Open(c)!.Of(places))!;
        held.Select(h => h.Movements.Length).ShouldBe([many.Length, many.Length, told[account].Movements.Length]);
        held[2].Items.ShouldBe(told[account].Items);
    }

    [Fact]
    public void A_copy_is_passed_over_after_a_commit()
    {
        WorkAndStop();
        _t.Invoice(1, "2026-03-02");
        IsTaken().ShouldBeFalse();
        ShouldBeTheSame(Started(), FromRows());
        Stop();
        IsTaken().ShouldBeTrue();
    }

    [Fact]
    public void A_copy_is_passed_over_when_another_program_wrote_to_the_books()
    {
        WorkAndStop();
        using (var other = new SqliteConnection($"Data Source={_t.Path};Pooling=false"))
        {
            other.Open();
            other.Execute("UPDATE item SET open = open + 1 WHERE id = 1; PRAGMA wal_checkpoint(TRUNCATE)");
        }

        IsTaken().ShouldBeFalse();
        Started().Single(a => a.Code == "PEL01").Items[0].Open.ShouldBe(6001);
    }

    [Fact]
    public void A_copy_is_passed_over_for_other_books_that_saw_as_many_changes()
    {
        WorkAndStop();
        var backup = _t.Path + ".older";
        Backup.Write(_t.Books, backup);
        _t.Invoice(7, "2026-03-02");
        Stop();
        File.Copy(Copy, Copy + ".kept");
        _t.Books.Dispose();
        Backup.Restore(backup, Path.GetDirectoryName(_t.Path)!, overNewer: true);
        File.Exists(Copy).ShouldBeFalse();
        File.Move(Copy + ".kept", Copy);
        using var restored = Books.Open(_t.Path);
        restored.Write("tests", tx => GroupStore.Add(tx, "Another commit", null));
        restored.CheckpointAll();
        restored.Read(c => BookCopy.Open(c)).ShouldBeNull();
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    public void A_damaged_copy_is_passed_over_wherever_the_damage_is(int kind)
    {
        WorkAndStop();
        var whole = File.ReadAllBytes(Copy);
        for (var at = 0; at < whole.Length; at += 3)
        {
            var damaged = whole.ToArray();
            switch (kind)
            {
                case 0:
                    damaged[at] ^= 0x10;
                    break;
                case 1:
                    damaged = damaged[..at];
                    break;
                default:
                    damaged.AsSpan(at).Clear();
                    break;
            }

            if (damaged.AsSpan().SequenceEqual(whole))
                continue;
            File.WriteAllBytes(Copy, damaged);
            IsTaken().ShouldBeFalse($"at {at}");
            Started().Single(a => a.Code == "PEL01").Items.Length.ShouldBe(5);
        }
    }

    [Fact]
    public void Verify_names_a_copy_that_says_something_else_than_the_books()
    {
        WorkAndStop();
        var told = FromRows();
        var account = Array.FindIndex(told, a => a.Items.Length > 0);
        told[account] = told[account] with { Items = [.. told[account].Items.Select(i => i with { Open = 0 })] };
        var stamp = _t.Books.Read(BookCopyStamp.Of)!;
        File.Delete(Copy);
        BookCopy.Keep(_t.Path, stamp, told);
        _t.Off().ShouldHaveSingleItem().ShouldStartWith("copy: ");
    }

    [Fact]
    public void A_copy_is_its_owners_alone_and_leaves_no_other_file()
    {
        WorkAndStop();
        if (!OperatingSystem.IsWindows())
            File.GetUnixFileMode(Copy).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite);
        Directory.GetFiles(Path.GetDirectoryName(_t.Path)!, "*.making").ShouldBeEmpty();
    }

    [Fact]
    public void A_book_in_memory_that_another_program_has_overtaken_is_not_kept()
    {
        using var keeper = new SnapshotKeeper(_t.Books);
        _ = keeper.Current;
        using (var other = Books.Open(_t.Path))
            other.Write("tests", tx => GroupStore.Add(tx, "Another program's", null));
        keeper.KeepCopy();
        File.Exists(Copy).ShouldBeFalse();
    }
}
