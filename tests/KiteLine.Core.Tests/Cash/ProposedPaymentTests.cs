using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What is posted of a proposal settles just what it said, whatever credits are used with it.</summary>
public sealed class ProposedPaymentTests
{
    private static readonly DateOnly Today = Given.Day("2026-03-16");

    private static BankEntry Entry(decimal amount, decimal charges, string text) =>
        new()
        {
            Reference = "R",
            Date = Today,
            ValueDate = Today,
            Amount = Given.Pounds(amount),
            Booked = true,
            Charges = Given.Pounds(charges),
            Text = [text],
        };

    private static (AllocationProposal Proposal, Posting Posting) Post(BankEntry entry, params Item[] items)
    {
        var proposal = AllocationProposal.Of(
            entry.Paid,
            entry.Text[0],
            [
                .. items.Select(i => new AllocationItem(
                    $"{i.Id}",
                    i.Document,
                    i.Due,
                    i.NeedOn(entry.ValueDate, RoundingRule.HalfAwayFromZero)
                )),
            ],
            new(5, 1),
            RoundingRule.HalfAwayFromZero
        );
        var payment = Payment.Of(
            entry.Amount,
            entry.Charges,
            entry.ValueDate,
            proposal.Chosen.Select(c => new ChosenItem(items.Single(i => i.Id == c.ItemId))),
            new(5, 1),
            RoundingRule.HalfAwayFromZero,
            proposal.Filled
        );
        return (
            proposal,
            ReceiptPosting.Of(
                payment,
                ReceiptOrigin.OnStatement(entry, null),
                (_, d) => Money.Zero(d.Currency),
                Given.Rules(Today)
            )
        );
    }

    private static Item OnAccount(decimal amount, long id) =>
        Given.Credit(amount, "2026-03-01", id) with
        {
            Kind = ItemKind.Receipt,
            Document = $"RCT-{id}",
        };

    [Fact]
    public void A_credit_note_and_cash_on_account_are_used_before_the_receipt()
    {
        var (_, posting) = Post(
            Entry(250, 0, "INV-1 less CRN-1 and RCT-8"),
            Given.Invoice("INV-1", 400, "2026-02-01", "2026-03-03", id: 1),
            Given.Credit(100, "2026-03-01", id: 7),
            OnAccount(50, 8)
        );
        posting
            .Allocations.Select(a => $"{a.Credit} → {a.Debit} {a.Kind} {a.Cash}")
            .ShouldBe(["7 → 1 SetOff 100.00", "8 → 1 Cash 50.00", " → 1 Cash 250.00"], ignoreOrder: true);
        posting
            .Lines.Select(l => $"{l.Purpose} {l.Amount}")
            .ShouldBe(["Bank 250.00", "Receivables -300.00", "CashOnAccount 50.00"]);
    }

    [Fact]
    public void Any_proposal_is_posted_as_it_was_shown()
    {
        Gen.Select(
                Gen.Int[1, 400_00].Array[1, 6],
                Gen.Int[1, 200_00].Array[0, 3],
                Gen.Int[1, 900_00],
                Gen.Int[0, 20_00],
                Gen.Bool,
                Gen.Int[0, 63]
            )
            .Sample(
                (debits, credits, cash, charges, receipts, named) =>
                {
                    Item[] items =
                    [
                        .. debits.Select(
                            (a, i) =>
                                Given.Invoice(
                                    $"INV-{i}",
                                    a / 100m,
                                    "2026-03-10",
                                    $"2026-04-{10 + i}",
                                    id: i + 1,
                                    discounts: i % 2 == 0 && a > 100
                                        ? [Given.Discount("2026-03-20", a / 100 * 0.02m)]
                                        : null
                                )
                        ),
                        .. credits.Select(
                            (a, i) =>
                                receipts
                                    ? OnAccount(a / 100m, 50 + i)
                                    : Given.Credit(a / 100m, "2026-03-01", 50 + i) with
                                    {
                                        Document = $"CRN-{i}",
                                    }
                        ),
                    ];
                    var text = string.Join(' ', items.Where((_, i) => (named >> i & 1) == 1).Select(i => i.Document));
                    var (proposal, posting) = Post(Entry(cash / 100m, charges / 100m, text), items);
                    posting.Checked();
                    foreach (var line in proposal.Lines)
                    {
                        var id = long.Parse(line.Item.Id, System.Globalization.CultureInfo.InvariantCulture);
                        var taken = line.Item.IsCredit
                            ? posting.Allocations.Where(a => a.Credit == id).Sum(a => -a.Cash.Minor)
                            : posting.Allocations.Where(a => a.Debit == id).Sum(a => a.Cash.Minor);
                        taken.ShouldBe(line.Settlement.Cash.Minor);
                        if (!line.Item.IsCredit)
                            posting
                                .Allocations.Where(a => a.Debit == id)
                                .Sum(a => a.Discount.Minor + a.WriteOff.Minor)
                                .ShouldBe(line.Settlement.Discount.Minor + line.Settlement.WriteOff.Minor);
                    }

                    posting
                        .Allocations.Where(a => a.Credit is null)
                        .Sum(a => a.Cash.Minor)
                        .ShouldBe(cash + charges - proposal.OnAccount.Minor);
                    posting.Lines.Single(l => l.Purpose == PostingPurpose.Bank).Amount.Minor.ShouldBe(cash);
                }
            );
    }
}
