using System.Diagnostics;
using System.Globalization;
using System.Text;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Store;
using KiteLine.Web;

namespace KiteLine.Bench;

/// <summary>
/// The whole book at full size, each piece of work beside a yardstick in the same run. Ratios count, since machines
/// differ and their speed drifts.
/// </summary>
internal sealed class WholeBook(int accounts, int items, string? server)
{
    private static readonly DateOnly Day = new(2026, 3, 16);
    private readonly Results _results = new();

    internal string Run()
    {
        var folder = Directory.CreateTempSubdirectory("kiteline-bench").FullName;
        try
        {
            var (smallImport, smallAgeing) = Import(
                Path.Combine(folder, "small"),
                accounts / 10,
                items / 10,
                told: false
            );
            var (import, ageing) = Import(Path.Combine(folder, "large"), accounts, items, told: true);
            Charges();
            Letters();
            StatementWork.Search(_results);
            new ServedBook(
                Path.Combine(folder, "large", "data"),
                accounts,
                items,
                Day,
                () => PlainImport.Of(Path.Combine(folder, "large", "items", "open-items.csv")) / items,
                _results,
                server
            ).Run();
            _results.Growth("import, cost of ten times the items", smallImport, import);
            _results.Growth("ageing, cost of ten times the items", smallAgeing, ageing);
            return _results.Table(accounts, items);
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private (double Import, double Ageing) Import(string folder, int accountCount, int itemCount, bool told)
    {
        Say($"writing a book of {accountCount:N0} accounts and {itemCount:N0} open items");
        LargeBook.Write(folder, accountCount, itemCount, Day);
        var itemsOnly = Path.Combine(folder, "items");
        Directory.CreateDirectory(itemsOnly);
        File.Move(Path.Combine(folder, "open-items.csv"), Path.Combine(itemsOnly, "open-items.csv"));
        using var books = DataFolder.OpenCompany(Path.Combine(folder, "data"));
        if (told)
            RunWork.SetUp(books);
        new ImportCommand(TextWriter.Null, Console.Error).Run(folder, books, false, false);

        Say("importing it");
        var clock = Stopwatch.StartNew();
        if (new ImportCommand(TextWriter.Null, Console.Error).Run(itemsOnly, books, false, false) != 0)
            throw new InvalidOperationException("The made-up book was refused.");
        var ours = clock.Elapsed.TotalSeconds;
        if (told)
            InsightWork.SetUp(books, Day);
        var yardstick = PlainImport.Of(Path.Combine(itemsOnly, "open-items.csv"));
        if (told)
            _results.Ratio(
                $"import of {itemCount:N0} items from CSV, checked and posted",
                ours,
                yardstick,
                "`.import` of the same file into one indexed table",
                "3 ×"
            );

        Say("ageing it");
        clock.Restart();
        var book = books.Read(c => BookLoader.Load(books, c));
        var load = clock.Elapsed.TotalSeconds;
        var age = Clock.Best(
            7,
            () => KiteLine.Core.Board.Of(book, Day, new(new(), AgeingBuckets.Default, BusinessCalendar.WeekendsOnly))
        );
        var database = Path.Combine(folder, "data", "books.db");
        var grouping = Clock.Best(
            3,
            () =>
                SqliteProgram.Run(
                    database,
                    """
                    SELECT account_id, sum(open), sum(CASE WHEN d <= 0 THEN open ELSE 0 END),
                        sum(CASE WHEN d BETWEEN 1 AND 30 THEN open ELSE 0 END),
                           sum(CASE WHEN d BETWEEN 31 AND 60 THEN open ELSE 0 END),
                               sum(CASE WHEN d BETWEEN 61 AND 90 THEN open ELSE 0 END),
                               sum(CASE WHEN d > 90 THEN open ELSE 0 END)
                    FROM (SELECT account_id, open, julianday('2026-03-16') - julianday(due) d FROM item WHERE open <> 0)
                        GROUP BY account_id;
                    """
                )
        );
        if (told)
        {
            _results.Ratio(
                "ageing and exposure of every account",
                age,
                grouping,
                "the plain grouping query in `sqlite3`",
                "0.1 ×"
            );
            _results.Plain("reading the whole book into memory, once at start", Results.Seconds(load), "—", "—", "—");
        }

        return (ours, age);
    }

    private void Charges()
    {
        var random = new Random(1);
        var amounts = Enumerable.Range(0, items).Select(_ => random.Next(500, 200_000) / 100m).ToArray();
        if (ChargeLoop.Core(amounts) != ChargeLoop.Bare(amounts))
            throw new InvalidOperationException("The charges of core and yardstick differ.");
        _results.Ratio(
            $"late-charge proposal, two segments on {items:N0} items",
            Clock.Best(5, () => ChargeLoop.Core(amounts)),
            Clock.Best(5, () => ChargeLoop.Bare(amounts)),
            "a bare loop over the same decimals",
            "2 ×"
        );
    }

    private void Letters()
    {
        const int Count = 300;
        var letter = SampleLetter.Of(
            new CompanySettings { Name = "Bench" },
            new ReminderPlan
            {
                Levels =
                [
                    new()
                    {
                        DaysAfterDue = 7,
                        Texts = [new("", "Reminder", "Dear {{ customer }}", "{{ total }} by {{ pay_by }}")],
                    },
                ],
            },
            1,
            "",
            BooksRules.Of(
                new(),
                BusinessCalendar.WeekendsOnly,
                new(Currency.Of("GBP"), [], 7, RoundingRule.HalfAwayFromZero),
                Day
            )
        );
        var seconds = Clock.Best(
            3,
            () =>
            {
                for (var i = 0; i < Count; i++)
                    KiteLine.Formats.LetterPdf.Render(letter);
            }
        );
        _results.Plain("PDF letters on one core", $"{Count / seconds:N0} a second", "—", "—", "at least 300 a second");
    }

    private static void Say(string what) => Console.Error.WriteLine($"bench: {what} …");
}
