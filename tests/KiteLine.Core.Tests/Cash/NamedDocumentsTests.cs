using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class NamedDocumentsTests
{
    private static string In(string text, params string[] documents) =>
        string.Join(' ', NamedDocuments.In(text, documents).Select(n => documents[n.Item]));

    [Theory]
    [InlineData("(INV - 1548)", "INV-1548")]
    [InlineData("inv1548", "INV-1548")]
    [InlineData("payment of Inv.1548, thank you", "INV-1548")]
    [InlineData("SVWZ+INV1548", "INV-1548")]
    [InlineData("INV-15480", "")]
    [InlineData("XINV-1548", "")]
    [InlineData("INV 15 48", "INV-1548")]
    [InlineData("INV-154 89", "")]
    [InlineData("1548", "")]
    [InlineData("", "")]
    [InlineData("—", "")]
    public void Case_spaces_and_separators_do_not_matter_and_a_number_stands_whole(string text, string found) =>
        In(text, "INV-1548").ShouldBe(found);

    [Fact]
    public void Of_numbers_within_each_other_the_longest_is_named() =>
        In("RE-26-0732 and 26-0811", "26-0732", "RE-26-0732", "26-0811").ShouldBe("RE-26-0732 26-0811");

    [Fact]
    public void Several_items_of_one_document_are_all_named() =>
        NamedDocuments.In("INV 7", ["INV-7", "INV-8", "inv 7"]).Select(n => n.Item).ShouldBe([0, 2]);

    [Theory]
    [InlineData("1501", "Betrag 1.501,20 EUR")]
    [InlineData("150120", "Betrag 1.501,20 EUR")]
    [InlineData("20", "amount 1501.20")]
    [InlineData("1501", "EUR 1501")]
    [InlineData("1501", "1501 EUR")]
    [InlineData("1501", "£1501")]
    [InlineData("501", "1,501")]
    [InlineData("2026", "vom 10.02.2026")]
    [InlineData("10022026", "vom 10.02.2026")]
    [InlineData("10", "10/2/26")]
    [InlineData("2026", "2026-02-10")]
    [InlineData("10", "on 10 Feb 2026")]
    [InlineData("2026", "10. März 2026")]
    public void Digits_alone_are_not_found_in_an_amount_or_a_date(string document, string text)
    {
        In(text, document).ShouldBeEmpty();
        // Standing for themselves they are.
        In($"{text}; no. {document}", document).ShouldBe(document);
    }

    [Theory]
    [InlineData("1001", "1001, 1007 and 1009", "1001")]
    [InlineData("1007", "1001/1007", "1007")]
    [InlineData("1001", "1001 EUR 300.00", "1001")]
    [InlineData("2026/00836", "2026/00836", "2026/00836")]
    [InlineData("2026/00836", "2026 00836", "2026/00836")]
    [InlineData("K.4595/26", "K4595/26 of 10.02.2026", "K.4595/26")]
    public void Numbers_that_only_look_a_little_like_amounts_or_dates_are_found(
        string document,
        string text,
        string found
    ) => In(text, document).ShouldBe(found);

    /// <summary>The check digits of the first three are those of the worked examples beside the contract.</summary>
    [Theory]
    [InlineData("RF78INV1160", "INV-1160")]
    [InlineData("rf78 INV1 160", "INV-1160")]
    [InlineData("RF36INV1819", "INV-1819")]
    [InlineData("RF73INV1811", "")]
    [InlineData("RF73 INV1811", "")]
    [InlineData("RF73 INV1811, i.e. INV-1811", "INV-1811")]
    public void A_structured_reference_names_its_document_where_its_check_digits_are_right(string text, string found) =>
        In(text, "INV-1160", "INV-1819", "INV-1811").ShouldBe(found);

    [Fact]
    public void Within_a_reference_that_is_right_nothing_else_is_found() =>
        In("RF18 5390 0754 7034", "7034", "539007547034", "5390").ShouldBe("539007547034");

    [Fact]
    public void It_tells_where_the_number_stands_in_the_text()
    {
        const string Text = "for inv 1001 and RF78INV1160";
        NamedDocuments
            .In(Text, ["INV-1001", "INV-1160"])
            .Select(n => (Text[n.From..n.To], n.ByReference))
            .ShouldBe([("inv 1001", false), ("RF78INV1160", true)]);
    }

    [Fact]
    public void The_longest_text_among_the_most_documents_is_read_to_its_end()
    {
        var documents = Enumerable.Range(0, Bounds.OpenItems).Select(i => $"INV-{i}").ToArray();
        var text = string.Concat(Enumerable.Repeat("a 1 ", Bounds.Note / 4));
        NamedDocuments.In(text[..^8] + " INV-42", documents).ShouldHaveSingleItem().Item.ShouldBe(42);
    }
}
