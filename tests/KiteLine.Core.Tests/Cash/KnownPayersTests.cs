using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class KnownPayersTests
{
    private static readonly KnownPayers Known = new(
        [("INV-12", "CAP01"), ("INV-123", "BAR01"), ("2026/77", "CAP01"), ("4711", "BAR01")],
        [
            ("GB29 NWBK 6016 1331 9268 19", "CAP01"),
            ("DE89370400440532013000", "CAP01"),
            ("DE89370400440532013000", "BAR01"),
        ],
        new([
            ("CAP01", "Capstan Shipwrights Ltd"),
            ("BAR01", "Barrowmere Event Canvas & Marquee Hire"),
            ("SOL01", "Müller Söhne"),
            ("TWI01", "Twin Sails"),
            ("TWI02", "Twin Sails"),
            ("100", "Digits Alone"),
            ("NO-RE.7", "Nore Chandlers"),
        ])
    );

    private static string Of(string text = "", string payer = "", string account = "", string endToEnd = "") =>
        Known.Of(
            new()
            {
                Reference = "R",
                Date = new(2026, 3, 16),
                ValueDate = new(2026, 3, 16),
                Amount = Given.Pounds(100),
                Booked = true,
                Charges = Given.Pounds(0),
                Text = text.Length == 0 ? [] : text.Split('\n'),
                Payer = payer,
                PayerAccount = account,
                EndToEnd = endToEnd,
            }
        )
            is { } found
            ? $"{found.Account} {found.By}"
            : "nobody";

    [Theory]
    [InlineData("inv 12", "CAP01 Document")]
    [InlineData("INV123", "BAR01 Document")]
    [InlineData("pays 2026/77 in full", "CAP01 Document")]
    [InlineData("INV-12 and INV-123", "nobody")]
    [InlineData("RF18539007547034", "nobody")]
    [InlineData("invoice 4711", "BAR01 Document")]
    [InlineData("GBP 4711", "nobody")]
    [InlineData("from cap01 with thanks", "CAP01 AccountCode")]
    // The reference by ISO 11649 that a statement of account bears; its check digits by another program.
    [InlineData("RF63 CAP0 1", "CAP01 AccountCode")]
    [InlineData("CAP01 and BAR01", "nobody")]
    [InlineData("100", "nobody")]
    [InlineData("for account no-re.7 please", "NO-RE.7 AccountCode")]
    [InlineData("NORE7", "NO-RE.7 AccountCode")]
    [InlineData("INV\n123", "BAR01 Document")]
    [InlineData("payment 20\n26/77", "CAP01 Document")]
    public void By_what_the_text_names(string text, string found) => Of(text).ShouldBe(found);

    [Fact]
    public void A_number_that_is_broken_over_two_lines_is_looked_for_among_the_documents() =>
        KnownPayers
            .MayName(
                new()
                {
                    Reference = "R",
                    Date = new(2026, 3, 16),
                    ValueDate = new(2026, 3, 16),
                    Amount = Given.Pounds(1),
                    Booked = true,
                    Charges = Given.Pounds(0),
                    Text = ["invoice INV-10", "01 with thanks"],
                }
            )
            .ShouldContain("INV1001");

    [Fact]
    public void By_a_reference_of_ISO_11649_whose_body_is_a_document_number() =>
        Of($"thank you {CreditorReference.Of("INV12")}").ShouldBe("CAP01 Document");

    [Fact]
    public void By_the_payers_own_reference() => Of(endToEnd: "INV-12").ShouldBe("CAP01 Document");

    [Theory]
    [InlineData("GB29NWBK60161331926819", "CAP01 BankAccount")]
    [InlineData("DE89370400440532013000", "nobody")]
    [InlineData("GB33BUKB20201555555555", "nobody")]
    public void By_a_bank_account_that_pays_for_one(string account, string found) =>
        Of(account: account).ShouldBe(found);

    [Theory]
    [InlineData("CAPSTAN SHIPWRIGHTS LIMITED", "CAP01 Name")]
    [InlineData("The Capstan Shipwrights Co.", "CAP01 Name")]
    [InlineData("Muller Sohne GmbH", "SOL01 Name")]
    [InlineData("BARROWMERE EVENT CANVAS MAR", "BAR01 Name")]
    [InlineData("Barrowmere", "nobody")]
    [InlineData("Twin Sails", "nobody")]
    [InlineData("Ltd", "nobody")]
    [InlineData("", "nobody")]
    public void By_a_name_alike(string payer, string found) => Of(payer: payer).ShouldBe(found);
}
