using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>What is named before a document is posted. The business date is 16 March 2026.</summary>
public sealed class DocumentWarningTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Currency Gbp = Currency.Of("GBP");

    private static EarlierDocument Earlier(
        string number,
        string date,
        decimal gross,
        string reference = "",
        ItemKind kind = ItemKind.Invoice
    ) => new(kind, number, DateOnly.Parse(date, null), Money.Exact(gross, Gbp), reference);

    private static string[] Named(
        string date,
        decimal gross,
        string reference,
        ItemKind kind = ItemKind.Invoice,
        params EarlierDocument[] earlier
    ) =>
        [
            .. DocumentWarnings
                .Of(kind, DateOnly.Parse(date, null), Money.Exact(gross, Gbp), reference, earlier, Today)
                .Select(w => w.Document is { } of ? $"{w.Code} {of}" : w.Code),
        ];

    [Fact]
    public void The_same_amount_with_the_same_reference_or_on_the_same_day_is_likely_the_same_document()
    {
        EarlierDocument[] earlier =
        [
            Earlier("INV-9", "2026-03-10", 500, "PO 77/A"),
            Earlier("INV-8", "2026-03-12", 500, "PO 78"),
            Earlier("INV-7", "2026-03-12", 499.99m, "PO 77/A"),
            Earlier("CN-1", "2026-03-12", 500, "po 77 a", ItemKind.CreditNote),
        ];
        Named("2026-03-15", 500, "po-77a", earlier: earlier).ShouldBe(["likely-duplicate INV-9"]);
        Named("2026-03-12", 500, "another", earlier: earlier).ShouldBe(["likely-duplicate INV-8"]);
        Named("2026-03-15", 500, "", earlier: earlier).ShouldBeEmpty();
        Named("2026-03-15", 500, "PO 77/A", ItemKind.CreditNote, earlier).ShouldBe(["likely-duplicate CN-1"]);
        // Without a reference, none is the same.
        Named("2026-03-15", 500, "", earlier: [Earlier("INV-6", "2026-03-01", 500)]).ShouldBeEmpty();
    }

    /// <summary>60 days before 16 March 2026 is 15 January; 30 days before it is 14 February.</summary>
    [Theory]
    [InlineData(ItemKind.Invoice, "2026-01-15", false)]
    [InlineData(ItemKind.Invoice, "2026-01-14", true)]
    [InlineData(ItemKind.CreditNote, "2026-01-14", true)]
    [InlineData(ItemKind.Receipt, "2026-02-14", false)]
    [InlineData(ItemKind.Receipt, "2026-02-13", true)]
    [InlineData(ItemKind.Invoice, "2026-03-17", true)]
    [InlineData(ItemKind.LateCharge, "2025-01-01", false)]
    public void A_date_far_from_the_business_date_is_unusual(ItemKind kind, string date, bool unusual) =>
        Named(date, 500, "", kind).ShouldBe(unusual ? ["unusual-date"] : []);

    [Fact]
    public void It_says_how_far_back_it_lies() =>
        DocumentWarnings
            .OfDate(ItemKind.Receipt, new(1900, 1, 1), Today)
            .ShouldHaveSingleItem()
            .Text.ShouldBe("The value date, 1 Jan 1900, lies 46095 days before the business date, 16 Mar 2026.");

    [Fact]
    public void Three_alike_are_named_and_not_more() =>
        Named(
                "2026-03-15",
                500,
                "",
                earlier: [.. Enumerable.Range(1, 9).Select(i => Earlier($"I-{i}", "2026-03-15", 500))]
            )
            .ShouldBe(["likely-duplicate I-1", "likely-duplicate I-2", "likely-duplicate I-3"]);
}
