using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CurrencyTests
{
    // Funds, metals and test codes are in the library's list and no currency of an invoice.
    private static readonly HashSet<string> NotMoney =
    [
        "XAG",
        "XAU",
        "XBA",
        "XBB",
        "XBC",
        "XBD",
        "XDR",
        "XPD",
        "XPT",
        "XSU",
        "XTS",
        "XUA",
        "XXX",
    ];

    // ISO 4217 amendments retired or added these after the one of the two lists that has them.
    private static readonly HashSet<string> InOneListOnly =
    [
        "HRK",
        "SLL",
        "ZWL",
        "CUC",
        "ANG",
        "BGN",
        "XCG",
        "XAD",
        "USS",
        "ZWG",
        "VED",
    ];

    /// <summary>
    /// Source: the npm package <c>currency-codes</c>, which carries the ISO 4217 list of active codes.
    /// </summary>
    [Fact]
    public void Codes_and_decimals_are_those_of_the_published_list()
    {
        var published = Reference
            .Rows("currencies.csv")
            .Where(r => !NotMoney.Contains(r[0]) && !InOneListOnly.Contains(r[0]))
            .ToArray();
        published.Length.ShouldBeGreaterThan(150);
        foreach (var row in published)
        {
            Currency.TryOf(row[0], out var currency).ShouldBeTrue(row[0]);
            currency!.Decimals.ShouldBe((int)Reference.Number(row[1]), row[0]);
        }

        var codes = published.Select(r => r[0]).ToHashSet();
        Currency.All.Select(c => c.Code).Where(c => !codes.Contains(c) && !InOneListOnly.Contains(c)).ShouldBeEmpty();
    }

    [Theory]
    [InlineData("gbp")]
    [InlineData("POUND")]
    [InlineData("")]
    [InlineData(null)]
    public void What_is_no_code_is_not_found(string? code)
    {
        Currency.TryOf(code, out _).ShouldBeFalse();
        Should.Throw<ArgumentException>(() => Currency.Of(code ?? ""));
    }
}
