using Dapper;
using KiteLine.Core;
using Microsoft.Data.Sqlite;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

public sealed class OpeningReversalTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    [Fact]
    public void One_opening_document_is_taken_back_by_an_entry_of_its_own()
    {
        Import("I-1,invoice,2026-01-10,100", "I-2,invoice,2026-01-11,250", "R-1,receipt,2026-01-12,40");
        var effect = Undo("I-2", "wrong amount");
        effect
            .Journal.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables -250.00", "OpeningBalances 250.00"]);
        (effect.Before.Exposure, effect.After.Exposure).ShouldBe((31_000, 6_000));
        Undo("R-1", "not ours")
            .Journal.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["CashOnAccount 40.00", "OpeningBalances -40.00"]);

        var ledger = _t.Books.Read(c => LedgerView.OfAccount(c, _t.Account));
        ledger
            .Where(r => r.Kind == PostingKind.Opening)
            .Select(r => $"{r.Number} {r.Change} {r.ReversedBy is not null}")
            .ShouldBe(["I-1 10000 False", "I-2 25000 True", "R-1 -4000 True"]);
        ledger.Sum(r => r.Change).ShouldBe(10_000);
        var row = ledger.Single(r => r.Number == "I-1");
        _t.Books.Read(c => LedgerView.Journal(c, row.EntryId, row.OpeningDocument))
            .Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables 100.00", "OpeningBalances -100.00"]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Its_number_is_free_again_for_the_document_put_right()
    {
        Import("I-1,invoice,2026-01-10,100");
        ImportProblems("I-1,invoice,2026-01-10,100").ShouldHaveSingleItem().Reason.ShouldContain("already");
        Undo("I-1", "wrong amount");
        Import("I-1,invoice,2026-01-10,120");
        ImportProblems("I-1,invoice,2026-01-10,120").ShouldHaveSingleItem().Reason.ShouldContain("already");
        Undo("I-1", "wrong again");
        _t.Invoice(130, "2026-01-10", number: "I-1");
        _t.Books.Read(c => c.Query<long>("SELECT revision FROM document WHERE number = 'I-1'")).ShouldBe([1L, 2L, 3L]);
        _t.Books.Read(c => _t.Items.Items(c, _t.Account)).ShouldHaveSingleItem().Opened.ToString().ShouldBe("130.00");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_builds_on_it_is_undone_first()
    {
        Import("I-1,invoice,2026-01-10,100", "I-2,invoice,2026-01-10,100");
        var items = _t.Books.Read(c => _t.Items.Items(c, _t.Account));
        var paid = _t.Pay(30, "2026-03-16", items[0].Id);
        var charge = _t.Write(tx => _t.LateCharges.Raise(tx, "PEL01", TestBooks.Today, [items[0].Id]));
        Refused(() => Undo("I-1", "wrong")).Message.ShouldContain(paid.Number!);
        Refused(() => Undo("I-2", "wrong")).Message.ShouldContain(charge.Number!);
        _t.Write(tx => ReversalDesk.Reverse(tx, paid.EntryId, "bounced"));
        _t.Write(tx => ReversalDesk.Reverse(tx, charge.EntryId, "waived"));
        Undo("I-1", "wrong");
        Undo("I-2", "wrong").After.Exposure.ShouldBe(0);
        Refused(() => Undo("I-1", "again")).Message.ShouldContain("already");
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void It_wants_a_reason_and_an_opening_document()
    {
        Import("I-1,invoice,2026-01-10,100");
        Refused(() => Undo("I-1", " ")).Field.ShouldBe("reason");
        _t.Invoice(50, "2026-03-01", number: "I-9");
        Refused(() => Undo("I-9", "wrong")).Message.ShouldContain("no opening document");
        Should.Throw<NotThereException>(() => _t.Write(tx => ReversalDesk.ReverseOpening(tx, 999, "wrong")));
        var entry = _t.Books.Read(c => c.ExecuteScalar<long>("SELECT min(id) FROM entry"));
        Refused(() => _t.Write(tx => ReversalDesk.Reverse(tx, entry, "all of it")))
            .Message.ShouldContain("one document at a time");
    }

    [Fact]
    public void Verify_names_a_reversal_that_leaves_something()
    {
        Import("I-1,invoice,2026-01-10,100");
        Undo("I-1", "wrong");
        using (var raw = new SqliteConnection($"Data Source={_t.Path}"))
        {
            raw.Open();
            raw.Execute("DROP TRIGGER movement_no_update; UPDATE movement SET amount = -9000 WHERE amount < 0");
        }

        _t.Off()
            .ShouldContain(row =>
                row.StartsWith("opening reversal: document I-1", StringComparison.Ordinal)
                && row.EndsWith("leaves 1000", StringComparison.Ordinal)
            );
    }

    private Effect<string> Undo(string number, string reason)
    {
        var id = _t.Books.Read(c =>
            c.ExecuteScalar<long>("SELECT max(id) FROM document WHERE number = @number", new { number })
        );
        return _t.Write(tx => ReversalDesk.ReverseOpening(tx, id, reason));
    }

    private void Import(params string[] rows) => ImportProblems(rows).ShouldBeEmpty();

    private List<RowProblem> ImportProblems(params string[] rows) =>
        _t.Write(tx =>
        {
            var problems = new List<RowProblem>();
            using var import = new OpeningImport(tx, TestBooks.Today, problems.Add);
            foreach (var (row, i) in rows.Select((r, i) => (r.Split(','), i)))
            {
                string[] values =
                [
                    .. OpenItemRow.Columns.Select(column =>
                        column switch
                        {
                            "account" => "PEL01",
                            "document" => row[0],
                            "type" => row[1],
                            "date" => row[2],
                            "amount" => row[3],
                            _ => "",
                        }
                    ),
                ];
                import.OpenItem("open-items.csv", i + 2L, values);
            }

            import.Finish("test");
            return problems;
        });

    private static FieldProblem Refused(Action act) => Should.Throw<RefusedException>(act).Problems[0];
}
