using KiteLine.Core;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>
/// A reminder that is paid in full, with the fee and the interest that it only shows. 1,000.00 at 12 % act/365f, due on
/// 31 January, is charged 14.47 for the 44 days to 16 March; the letter's fee is 12.00: it asks for 1,026.47 (worked by hand).
/// </summary>
public sealed class LetterPaidTests : IDisposable
{
    private readonly TestBooks _t = new();

    public void Dispose() => _t.Dispose();

    private (long Invoice, string Letter) Reminded()
    {
        _t.Write(tx =>
            PolicyStore.Save(
                tx,
                PolicyKind.ReminderPlan,
                "PLAN",
                "Plan",
                TestBooks.Plan with
                {
                    Levels = [TestBooks.Plan.Levels[1] with { DaysAfterDue = 7, FeeTreatment = Treatment.Show }],
                },
                1
            )
        );
        var invoice = _t.Invoice(1000, "2026-01-01", terms: "n/30");
        var letter = _t.Write(tx => _t.Reminders.Issue(tx, "PEL01", TestBooks.Today)).Detail.Number;
        return (invoice, letter);
    }

    private AllocationProposal Proposed(decimal cash, string text = "") =>
        _t
            .Books.Read(c =>
                _t.Receipts.Propose(
                    c,
                    _t.Account,
                    Money.Exact(cash, Currency.Of("GBP")),
                    TestBooks.Today,
                    text,
                    [],
                    Rules.Of(c, TestBooks.Today)
                )
            )
            .Allocation!;

    private string Open() =>
        string.Join(
            ", ",
            _t.Books.Read(c => _t.Items.Details(c, _t.Account)).Select(d => $"{d.Item.Kind} {d.Item.Left}")
        );

    [Theory]
    [InlineData(1026.47, "", AllocationRule.Set, 1)]
    [InlineData(1026.47, "thanks {0}", AllocationRule.Named, 1)]
    [InlineData(1026.46, "", AllocationRule.Oldest, 0.2)]
    [InlineData(1000, "", AllocationRule.One, 1)]
    public void Its_very_sum_and_its_reference_are_certain(decimal cash, string text, AllocationRule rule, decimal sure)
    {
        var (_, letter) = Reminded();
        var proposal = Proposed(cash, string.Format(null, text, letter));
        (proposal.Rule, proposal.Confidence).ShouldBe((rule, sure));
        var found = proposal.Findings.Select(f => f.Finding).OfType<ReceiptFinding.LetterPaidInFull>().ToList();
        if (cash != 1026.47m)
        {
            found.ShouldBeEmpty();
            return;
        }

        found.ShouldHaveSingleItem().Code.ShouldBe("letter-paid-in-full");
        $"{found[0].Letter} {found[0].Fee} {found[0].Interest}".ShouldBe($"{letter} 12.00 14.47");
        $"{proposal.Lines[0].Settlement.Cash} {proposal.OnAccount}".ShouldBe("1000.00 0.00");
    }

    /// <summary>The fee and the interest were paid: cancelling the reminder would leave them as income of nothing.</summary>
    [Fact]
    public void It_is_cancelled_once_the_receipt_that_paid_it_in_full_is_reversed()
    {
        var (invoice, letter) = Reminded();
        var paid = _t.Pay(1026.47m, "2026-03-16", invoice);
        Should
            .Throw<RefusedException>(() => _t.Write(tx => ReminderDesk.Cancel(tx, letter, "wrong address")))
            .Problems.ShouldHaveSingleItem()
            .Message.ShouldBe(
                $"Receipt {paid.Number} paid reminder {letter} in full, with the fee or interest that it showed; reverse that "
                    + "receipt first."
            );
        _t.Write(tx => ReversalDesk.Reverse(tx, paid.EntryId, "bounced"));
        _t.Write(tx => ReminderDesk.Cancel(tx, letter, "wrong address"));
        Open().ShouldBe("Invoice 1000.00");
        _t.Item(invoice).ReminderLevel.ShouldBe(0);
        _t.Off().ShouldBeEmpty();
    }

    [Fact]
    public void What_it_showed_is_income_of_that_letter_and_its_items_are_not_charged_again()
    {
        var (invoice, letter) = Reminded();
        var request = TestBooks.Request(1026.47m, "2026-03-16", invoice);
        var shown = _t.Books.Read(c =>
            _t.Receipts.Preview(c, "PEL01", request, Authority.None, Rules.Of(c, TestBooks.Today))
        );
        string[] journal =
        [
            "Receivables 12.00",
            "FeeIncome -12.00",
            "Receivables 14.47",
            "LateChargeIncome -14.47",
            "Bank 1026.47",
            "Receivables -1026.47",
        ];
        string[] Lines(Effect<Payment> e) => [.. e.Journal.Select(l => $"{l.Purpose} {l.Amount}")];
        Lines(shown).ShouldBe(journal);
        (shown.Before.Exposure, shown.After.Exposure).ShouldBe((100000, 0));
        Open().ShouldBe("Invoice 1000.00");

        var done = _t.Write(tx => _t.Receipts.Take(tx, "PEL01", request));
        Lines(done).ShouldBe(journal);
        done.After.Exposure.ShouldBe(0);
        Open().ShouldBe("");
        done.Detail.Lines.Select(l => l.Item.Document)
            .ShouldBe([$"{letter}: fee", $"{letter}: interest", "INV-00001"], ignoreOrder: true);
        _t.Off().ShouldBeEmpty();
        // Neither a run nor the next letter asks for it again.
        var rules = _t.Books.Read(c => Rules.Of(c, TestBooks.Today));
        var ledger = _t.Books.Read(c => _t.Ledgers.Of(c, _t.Account));
        AccountRun.Of(RunKind.LateCharges, ledger, TestBooks.Today, RunChanges.Of([]), rules).ShouldBeNull();
        ToSettle.For(ledger, TestBooks.Today, rules).ToPay.ToString().ShouldBe("0.00");

        // Reversed, everything is as before: the invoice is open and is charged from its due date.
        _t.Write(tx => ReversalDesk.Reverse(tx, done.EntryId, "bounced")).After.Exposure.ShouldBe(100000);
        Open().ShouldBe("Invoice 1000.00");
        _t.Off().ShouldBeEmpty();
        ledger = _t.Books.Read(c => _t.Ledgers.Of(c, _t.Account));
        ToSettle.For(ledger, TestBooks.Today, rules).ToPay.ToString().ShouldBe("1026.47");
    }

    [Fact]
    public void What_is_over_stays_on_account_where_somebody_says_so_or_decides_on_the_item()
    {
        var (invoice, _) = Reminded();
        var request = TestBooks.Request(1026.47m, "2026-03-16", invoice);
        string Of(PaymentRequest r)
        {
            var shown = _t.Books.Read(c =>
                _t.Receipts.Preview(c, "PEL01", r, Authority.Unbounded, Rules.Of(c, TestBooks.Today))
            );
            return $"{shown.Detail.OnAccount}";
        }

        Of(request with { KeepOver = true }).ShouldBe("26.47");
        Of(request with { Cash = 1026.48m }).ShouldBe("26.48");
        // A payment with value before the letter did not pay it.
        Of(request with { ValueDate = new(2026, 3, 15) }).ShouldBe("26.47");
        Of(request).ShouldBe("0.00");
    }
}
