using System.Globalization;
using KiteLine.Core;
using KiteLine.Demo;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>
/// A file that the simulated bank wrote, kept beside what two readers of other people's (the npm packages iso20022.js and
/// camt-parser, in <c>tests/reference/statements.mjs</c>) find in it.
/// </summary>
public sealed class SimulatedBankFileTests(SharedDemo shared)
{
    private static readonly string Kept = Repository.File("tests", "reference", "statement.xml");

    [Fact]
    public void It_is_what_the_bank_writes_for_the_day_after_the_demo_begins()
    {
        var own = shared.App.Desk.Books.Read(c => Store.OwnAccountStore.All(c)).First(o => o.Currency.Code == "GBP");
        var written = new SimulatedBank(shared.App.Desk.Books).StatementOf(
            own.Account,
            Money.Zero(own.Currency),
            new(2026, 3, 17)
        );
        var fresh = Path.Combine(AppContext.BaseDirectory, "statement.xml");
        File.WriteAllBytes(fresh, written!);
        File.ReadAllText(Kept)
            .ShouldBe(
                File.ReadAllText(fresh),
                $"the demo is another one; copy {fresh} to tests/reference and run statements.mjs there"
            );
    }

    [Fact]
    public void We_find_in_it_what_the_others_find()
    {
        var ours = Camt053.Read(File.ReadAllBytes(Kept)).Single();
        ours.Problems().ShouldBeEmpty();
        var lines = File.ReadAllLines(Repository.File("tests", "reference", "statement.csv"));
        var rows = lines.Skip(1).Select(l => l.Split(',')).ToArray();
        rows.Select(r => r[0]).Distinct().ShouldBe(["camt-parser", "iso20022.js"]);
        foreach (var reader in rows.GroupBy(r => r[0]))
        {
            reader
                .Where(r => r[1] == "balance")
                .Select(r => $"{r[2]} {r[4]}")
                .ShouldBe([$"OPBD {ours.Opening!.Value.Minor}", $"CLBD {ours.Closing!.Value.Minor}"]);
            var entries = reader.Where(r => r[1] == "entry").ToArray();
            entries.Sum(r => int.Parse(r[6], CultureInfo.InvariantCulture)).ShouldBe(ours.Entries.Count);
            foreach (var row in entries)
                Row(
                        row,
                        // A batch is as many entries here as it has payments.
                        row[6] == "1"
                            ? [ours.Entries.Single(e => e.Reference == row[2])]
                            : [.. Parts(row[7]).Select(r => ours.Entries.Single(e => e.Reference == r))]
                    )
                    .ShouldBe(string.Join(',', row));
        }
    }

    private static string[] Parts(string cell) => cell.Split(" / ");

    // What is ours in the columns of a row; what that reader does not tell is left empty.
    private static string Row(string[] row, BankEntry[] entries)
    {
        var sum = entries.Sum(e => e.Amount.Minor);
        string Told(int column, Func<BankEntry, IEnumerable<string>> of) =>
            row[column].Length == 0 ? "" : string.Join(" / ", entries.SelectMany(of));
        return string.Join(
            ',',
            row[0],
            "entry",
            row[2],
            sum < 0 ? "DBIT" : "CRDT",
            Math.Abs(sum),
            entries.Select(e => e.Date.ToString("O", CultureInfo.InvariantCulture)).Distinct().Single(),
            entries.Length,
            row[7],
            Told(8, e => [e.PayerAccount]),
            Told(9, e => e.Text)
        );
    }
}
