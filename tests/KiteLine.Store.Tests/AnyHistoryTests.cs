using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Whatever a controller does in whatever order, the books stay sound and every figure agrees.</summary>
public sealed class AnyHistoryTests
{
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void Any_order_of_work_leaves_sound_books(int seed)
    {
        using var t = new TestBooks();
        using var keeper = new SnapshotKeeper(t.Books);
        _ = keeper.Current;
        var random = new Random(seed);
        var done = new Dictionary<string, int>();
        for (var step = 0; step < 120; step++)
        {
            var (what, act) = random.Next(8) switch
            {
                0 or 1 => ("invoice", (Action)(() => Invoice(t, random))),
                2 or 3 => ("payment", () => Pay(t, random)),
                4 => ("charge", () => Charge(t, random)),
                5 => ("reminder", () => t.Write(tx => t.Reminders.Issue(tx, "PEL01", Day(random)))),
                6 => ("reversal", () => Reverse(t, random)),
                _ => ("cancel", () => Cancel(t)),
            };
            try
            {
                act();
                done[what] = done.GetValueOrDefault(what) + 1;
            }
            catch (RefusedException)
            {
                // A refusal is as good an outcome as any, as long as it changes nothing.
            }
        }

        t.Off().ShouldBeEmpty();
        done.Keys.Order().ShouldBe(["cancel", "charge", "invoice", "payment", "reminder", "reversal"]);
        Agree(t, keeper);
    }

    private static void Agree(TestBooks t, SnapshotKeeper keeper)
    {
        var today = TestBooks.Today;
        var items = t.Books.Read(c => t.Items.Items(c, t.Account, alsoClosed: true));
        var position = AccountPosition.On(keeper.Current.Accounts[0], today, TestBooks.Positions);
        var open = items.Sum(i => i.OpenAsShown(today).Minor);
        position.OpenItems.ShouldBe(open);
        position.Ageing.Sum().ShouldBe(open);
        t.Books.Read(c => LedgerView.OfAccount(c, t.Account)).Sum(r => r.Change).ShouldBe(open);
        t.Books.Read(c => c.ExecuteScalar<long>("SELECT sum(amount) FROM journal_line WHERE purpose IN (0, 1)"))
            .ShouldBe(open);
        t.Books.Read(c => c.ExecuteScalar<long>("SELECT coalesce(sum(amount), 0) FROM journal_line")).ShouldBe(0);

        var fromBooks = t.Books.Read(c => BookLoader.Load(t.Books, c))[0];
        fromBooks.Items.ShouldBe(keeper.Current.Accounts[0].Items);
        fromBooks.Movements.ShouldBe(keeper.Current.Accounts[0].Movements);
        items.ShouldAllBe(i =>
            i.Kind != ItemKind.Invoice || (i.OpenAsShown(today).Minor >= 0 && i.OpenAsShown(today) <= i.Opened)
        );
    }

    private static void Invoice(TestBooks t, Random random) =>
        t.Invoice(
            random.Next(50, 900),
            $"2026-0{random.Next(1, 4)}-{random.Next(1, 17):D2}",
            random.Next(0, 100),
            random.Next(3) switch
            {
                0 => "2/10 n/30",
                1 => "n/14",
                _ => "40% now, rest 20",
            }
        );

    private static void Pay(TestBooks t, Random random)
    {
        var open = t
            .Books.Read(c => t.Items.Items(c, t.Account))
            .Where(i => i.OpenAsShown(TestBooks.Today).Minor > 0)
            .Select(i => i.Id)
            .ToArray();
        random.Shuffle(open);
        t.Pay(
            random.Next(1, 150_000) / 100m,
            $"2026-03-{random.Next(1, 17):D2}",
            open[..Math.Min(open.Length, random.Next(1, 4))]
        );
    }

    private static void Charge(TestBooks t, Random random) =>
        t.Write(tx => t.LateCharges.Raise(tx, "PEL01", Day(random)));

    private static void Reverse(TestBooks t, Random random)
    {
        var entries = t.Books.Read(c => c.Query<long>("SELECT id FROM entry")).ToArray();
        if (entries.Length == 0)
            throw new RefusedException("entry", "Nothing was posted yet.");
        t.Write(tx => ReversalDesk.Reverse(tx, entries[random.Next(entries.Length)], "taken back"));
    }

    private static void Cancel(TestBooks t)
    {
        var number =
            t.Books.Read(c => ReminderStore.Issued(c, t.Account)).FirstOrDefault(r => r.Cancelled is null)?.Number
            ?? throw new RefusedException("number", "None was issued.");
        t.Write(tx => ReminderDesk.Cancel(tx, number, "sent in error"));
    }

    private static DateOnly Day(Random random) => TestBooks.Today.AddDays(-random.Next(0, 20));
}
