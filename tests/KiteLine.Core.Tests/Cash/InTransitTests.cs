using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class InTransitTests
{
    private const string Theirs = "GB33BUKB20201555555555";

    private static BankEntry Entry(decimal amount, string text = "", string endToEnd = "", string account = "") =>
        new()
        {
            Reference = "R1",
            Date = new(2026, 3, 16),
            ValueDate = new(2026, 3, 16),
            Amount = Given.Pounds(amount),
            Charges = Given.Pounds(0),
            Booked = true,
            Text = text.Length == 0 ? [] : [text],
            EndToEnd = endToEnd,
            PayerAccount = account,
        };

    private static InTransit Refund(long id, decimal amount, string account = "") =>
        new(id, false, $"RFD-{id}", Given.Pounds(amount), "Pellworm", account);

    private static InTransit Slip(long id, decimal amount) =>
        new(id, true, $"SLP-{id}", Given.Pounds(amount), "CHEQUE", "");

    private static long[] Ids(IReadOnlyList<InTransit> found) => [.. found.Select(f => f.Id)];

    [Fact]
    public void A_refund_is_found_by_its_amount_and_first_by_its_reference_its_number_or_its_bank_account()
    {
        InTransit[] refunds = [Refund(1, 50), Refund(2, 50, Theirs), Refund(3, 50), Refund(4, 51)];
        Ids(InTransit.Refunds(Entry(-50), refunds)).ShouldBe([1, 2, 3]);
        Ids(InTransit.Refunds(Entry(-50, endToEnd: "RFD-3"), refunds))[0].ShouldBe(3);
        Ids(InTransit.Refunds(Entry(-50, "refund rfd 3"), refunds))[0].ShouldBe(3);
        Ids(InTransit.Refunds(Entry(-50, account: Theirs), refunds))[0].ShouldBe(2);
        Ids(InTransit.Refunds(Entry(-49, endToEnd: "RFD-3"), refunds)).ShouldBeEmpty();
    }

    [Fact]
    public void A_slip_is_found_by_its_number_whatever_was_credited_and_else_by_its_amount()
    {
        InTransit[] slips = [Slip(1, 800), Slip(2, 800), Slip(3, 900)];
        Ids(InTransit.Slips(Entry(800), slips)).ShouldBe([1, 2]);
        Ids(InTransit.Slips(Entry(800, "SLP-2"), slips)).ShouldBe([2, 1]);
        Ids(InTransit.Slips(Entry(790, "SLP-3"), slips)).ShouldBe([3]);
        Ids(InTransit.Slips(Entry(790), slips)).ShouldBeEmpty();
        // SLP-2 does not stand in SLP-22.
        Ids(InTransit.Slips(Entry(790, "SLP-22"), slips)).ShouldBeEmpty();
    }
}
