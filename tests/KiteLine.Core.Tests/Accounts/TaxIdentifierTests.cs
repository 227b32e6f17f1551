using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class TaxIdentifierTests
{
    /// <summary>
    /// Source: the npm packages <c>jsvat</c> and <c>ibantools</c>, by the generator beside the table. They differ in
    /// one thing: where a Dutch sum leaves 10, jsvat takes 0 for the check digit; by the rule published with VIES
    /// (from memory) such a number is not given out, so it is refused here.
    /// </summary>
    [Fact]
    public void Numbers_are_valid_where_other_libraries_say_so()
    {
        var rows = Reference.Rows("identifiers.csv").ToList();
        rows.Count.ShouldBeGreaterThan(350);
        var differ = rows.Where(r =>
                (
                    r[0].StartsWith("IBAN", StringComparison.Ordinal)
                        ? Iban.IsValid(r[1])
                        : TaxIdentifier.Problem(r[0], r[1]) is null
                ) != bool.Parse(r[2])
            )
            .Select(r => string.Join(' ', r))
            .ToList();
        var dutchTen = differ
            .Where(d => d.StartsWith("VAT-NL", StringComparison.Ordinal) && DutchRemainder(d.Split(' ')[1]) == 10)
            .ToList();
        differ.Except(dutchTen).ShouldBeEmpty();
    }

    [Fact]
    public void A_dutch_number_whose_sum_leaves_ten_is_not_given_out()
    {
        DutchRemainder("NL586045960B01").ShouldBe(10);
        TaxIdentifier.Problem("VAT-NL", "NL586045960B01").ShouldNotBeNull().ShouldContain("check digits");
    }

    private static int DutchRemainder(string number) =>
        Enumerable.Range(0, 8).Sum(i => (number[i + 2] - '0') * (9 - i)) % 11;

    /// <summary>
    /// Source: Australian Taxation Office, check of an 11-digit business number (from memory): subtract 1 from the
    /// first digit, weights 10 1 3 5 7 9 11 13 15 17 19, the sum is divisible by 89. 51 824 753 556 is the office's
    /// own example.
    /// </summary>
    [Theory]
    [InlineData("51 824 753 556", true)]
    [InlineData("51824753556", true)]
    [InlineData("51 824 753 557", false)]
    [InlineData("15 824 753 556", false)]
    [InlineData("51 824 753 55", false)]
    public void An_australian_business_number_is_divisible(string number, bool valid) =>
        (TaxIdentifier.Problem("ABN", number) is null).ShouldBe(valid);

    /// <summary>Source: the IBAN registry's example for the United Kingdom (from memory).</summary>
    [Theory]
    [InlineData("GB29 NWBK 6016 1331 9268 19", true)]
    [InlineData("gb29nwbk60161331926819", true)]
    [InlineData("GB28 NWBK 6016 1331 9268 19", false)]
    [InlineData("GB29 NWBK 6016 1331 9268 91", false)]
    [InlineData("29GB NWBK 6016 1331 9268 19", false)]
    [InlineData("GB29", false)]
    [InlineData("", false)]
    public void An_iban_has_its_check_digits(string iban, bool valid) => Iban.IsValid(iban).ShouldBe(valid);

    [Fact]
    public void What_is_wrong_with_a_number_says_what_is_wanted()
    {
        TaxIdentifier.Problem("VAT-DE", "DE12345678").ShouldNotBeNull().ShouldContain("DE and 9 digits");
        TaxIdentifier.Problem("VAT-DE", "DE136695977").ShouldNotBeNull().ShouldContain("check digits");
        TaxIdentifier.Problem("VAT-XX", "1").ShouldNotBeNull().ShouldContain("VAT-GB");
        TaxIdentifier.Problem("OTHER", "anything 12").ShouldBeNull();
        TaxIdentifier.Problem("OTHER", " ").ShouldNotBeNull();
        TaxIdentifier.Plain("nl 0044.9544-5 b01").ShouldBe("NL004495445B01");
    }

    /// <summary>A number that is told as an example is one.</summary>
    [Fact]
    public void Examples_in_the_forms_are_valid()
    {
        foreach (var scheme in TaxIdentifier.Schemes.Where(s => s.Form.Contains("such as", StringComparison.Ordinal)))
            TaxIdentifier
                .Problem(scheme.Code, scheme.Form[(scheme.Form.IndexOf("such as ", StringComparison.Ordinal) + 8)..])
                .ShouldBeNull(scheme.Code);
    }
}
