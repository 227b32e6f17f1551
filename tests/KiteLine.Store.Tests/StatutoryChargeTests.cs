using Dapper;
using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>Policies with a reference rate, a fixed sum, a tax and bounds, through the books.</summary>
public sealed class StatutoryChargeTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private void Use(LateChargePolicy policy) =>
        _t.Write(tx =>
        {
            PolicyStore.Save(
                tx,
                PolicyKind.ReferenceRate,
                "BASE",
                "Base",
                new ReferenceRate { Rates = [new(new(2025, 1, 1), 4), new(new(2026, 1, 1), 2)] },
                0
            );
            PolicyStore.Save(
                tx,
                PolicyKind.TaxCode,
                "TAX",
                "Tax",
                new TaxCode { Rates = [new(new(2020, 1, 1), 20, [new("Office", 20)])] },
                0
            );
            PolicyStore.Save(tx, PolicyKind.LateCharge, "LAW", "Law", policy, 0);
            return AccountStore.Change(
                tx,
                AccountStore.Get(tx.Connection, "PEL01") with
                {
                    LateChargePolicy = "LAW",
                },
                "agreed"
            );
        });

    private static LateChargePolicy Law =>
        new()
        {
            Label = "Statutory interest",
            DayCount = DayCount.Of("act/365f"),
            Reference = new("BASE", 8, FixedForLife: true, DayBefore: true),
            Compensation = [new(0, 40), new(1000, 70)],
        };

    private Effect<ChargeDecision> Raise(string through) =>
        _t.Write(tx =>
            _t.LateCharges.Raise(
                tx,
                "PEL01",
                DateOnly.Parse(through, System.Globalization.CultureInfo.InvariantCulture)
            )
        );

    [Fact]
    public void The_fixed_sum_is_posted_once_and_again_after_a_reversal()
    {
        Use(Law);
        var item = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var first = Raise("2026-02-28");
        first.Detail.Lines.Select(c => $"{c.Interest} {c.Compensation}").ShouldBe(["9.21 70.00"]);
        _t.Item(item).Raised.Single().Through.ShouldBe(new DateOnly(2026, 2, 28));
        _t.Item(item).Raised.Single().Amount.ToString().ShouldBe("79.21");
        var second = Raise("2026-03-16");
        second.Detail.Lines.Select(c => $"{c.Interest} {c.Compensation}").ShouldBe(["5.26 0.00"]);
        _t.Off().ShouldBeEmpty();

        _t.Write(tx => ReversalDesk.Reverse(tx, second.EntryId, "waived"));
        _t.Write(tx => ReversalDesk.Reverse(tx, first.EntryId, "waived"));
        _t.Item(item).Raised.ShouldBeEmpty();
        Raise("2026-03-16").Detail.Lines.Select(c => $"{c.Interest} {c.Compensation}").ShouldBe(["14.47 70.00"]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void Tax_and_the_policy_s_own_account_stand_in_the_journal_and_its_reversal()
    {
        Use(Law with { TaxCode = "TAX", PostingAccount = "4915" });
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var raised = Raise("2026-02-28");
        raised
            .Journal.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Receivables 95.05", "OutputTax -15.84", "LateChargeIncome -79.21"]);
        var undone = _t.Write(tx => ReversalDesk.Reverse(tx, raised.EntryId, "waived"));
        _t.Books.Read(c => LedgerView.Journal(c, undone.EntryId))
            .Select(l => $"{l.Account} {l.Amount}")
            .ShouldBe(["1100 -95.05", "2200 15.84", "4915 79.21"]);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_was_charged_counts_towards_the_most_an_item_bears_over_its_life()
    {
        Use(Law with { Compensation = [], MaximumOverLife = 12 });
        var item = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Raise("2026-02-28");
        Raise("2026-03-16").Detail.Lines.ShouldHaveSingleItem().Total.ToString().ShouldBe("2.79");
        _t.Item(item).Raised.Sum(r => r.Amount.Minor).ShouldBe(1200);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void A_fixed_sum_that_was_posted_stays_as_posted()
    {
        Use(Law);
        _t.Invoice(1000, "2026-01-01", terms: "n/30");
        Raise("2026-02-28");
        Should
            .Throw<Microsoft.Data.Sqlite.SqliteException>(() =>
                _t.Write(tx => tx.Connection.Execute("UPDATE charge_line SET compensation = 1"))
            )
            .Message.ShouldContain("append-only");
    }
}
