using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CustomerCheckTests
{
    private static readonly CompanySettings Company = new()
    {
        CustomerFields =
        [
            new("region", "Region", CustomerFieldKind.Choice, ["North", "South"]),
            new("since", "Since", CustomerFieldKind.Date),
            new("berths", "Berths", CustomerFieldKind.Number),
        ],
        ControlGroups = [new("HOME", "At home", "1101")],
    };

    private static string[] Wrong(CustomerProfile profile) =>
        [.. CustomerCheck.Problems(profile, Company).Select(p => p.Field)];

    [Fact]
    public void A_record_that_says_nothing_is_sound() => Wrong(new()).ShouldBeEmpty();

    [Fact]
    public void Every_field_that_does_not_fit_is_named()
    {
        Wrong(
                new()
                {
                    Language = "eng",
                    PaymentMethod = "SHELLS",
                    ControlGroup = "MOON",
                    EmailReminders = "nobody",
                }
            )
            .ShouldBe(["language", "paymentMethod", "controlGroup", "emailReminders"]);
        Wrong(new() { Contacts = [new("Ada"), new(""), new("Bo", Email: "bo@")] })
            .ShouldBe(["contacts[1].name", "contacts[2].email"]);
        Wrong(new() { Addresses = [new(AddressKind.ShipTo, "Store", [])] }).ShouldBe(["addresses[0].lines"]);
        Wrong(
                new()
                {
                    Identifiers =
                    [
                        new("VAT-DE", "DE136695976"),
                        new("VAT-DE", "DE136695976"),
                        new("NONE", "1"),
                        new("VAT-DE", "DE136695977"),
                    ],
                }
            )
            .ShouldBe(["identifiers[1].number", "identifiers[2].scheme", "identifiers[3].number"]);
        Wrong(new() { Responses = new() { OverdueDays = -1 } }).ShouldBe(["responses.overdueDays"]);
    }

    [Theory]
    [InlineData("region", "North", true)]
    [InlineData("region", "East", false)]
    [InlineData("since", "2026-02-29", false)]
    [InlineData("since", "2024-02-29", true)]
    [InlineData("berths", "12.5", true)]
    [InlineData("berths", "twelve", false)]
    [InlineData("berths", "", true)]
    [InlineData("colour", "red", false)]
    public void Fields_of_the_company_hold_what_their_kind_says(string key, string value, bool fits) =>
        (Wrong(new() { Fields = new Dictionary<string, string> { [key] = value } }).Length == 0).ShouldBe(fits);

    [Theory]
    [InlineData("accounts@customer.example", true)]
    [InlineData("a@b.c", true)]
    [InlineData("a@@b.c", false)]
    [InlineData("a b@c.d", false)]
    [InlineData("a@b", false)]
    [InlineData("@b.c", false)]
    [InlineData("a@b.", false)]
    public void An_email_address_has_a_name_and_a_domain(string text, bool valid) =>
        EmailAddresses.IsOne(text).ShouldBe(valid);

    [Fact]
    public void Company_lists_name_what_stands_twice_or_lacks_something()
    {
        PaymentMethod
            .Problems([new("A", "A"), new("a", "B", 91), new("", "", 0, "", "GB00")])
            .Select(p => p.Field)
            .ShouldBe([
                "paymentMethods[1].code",
                "paymentMethods[1].clearingDays",
                "paymentMethods[2].code",
                "paymentMethods[2].name",
                "paymentMethods[2].iban",
            ]);
        CustomerField
            .Problems([new("a b", "A", CustomerFieldKind.Text), new("x", "", CustomerFieldKind.Choice)])
            .Select(p => p.Field)
            .ShouldBe(["customerFields[0].key", "customerFields[1].name", "customerFields[1].choices"]);
    }

    [Theory]
    [InlineData("Pellworm Sail Loft Ltd", "PELLWORM sail-loft", true)]
    [InlineData("Orme & Daughters", "Orme and Daughters Limited", true)]
    [InlineData("Loft, Pellworm Sail", "Pellworm Sail Loft", true)]
    [InlineData("Pellworm Sail", "Pellworm Sail Loft", true)]
    [InlineData("Tarn", "Tarn Theatre", false)]
    [InlineData("Tarn", "TARN Co.", true)]
    [InlineData("Greywater", "Greywater Rigging", true)]
    [InlineData("Greywater Boats", "Greywater Rigging", false)]
    [InlineData("The Company", "Another Company", false)]
    public void Names_are_alike_whatever_their_order_case_and_legal_form(string typed, string other, bool alike) =>
        NameLikeness.Alike(NameLikeness.Words(typed), NameLikeness.Words(other)).ShouldBe(alike);

    [Fact]
    public void A_response_can_be_changed_one_by_one()
    {
        foreach (var finding in Enum.GetValues<CheckFinding>())
        {
            var changed = new CheckResponses().With(finding, CheckResponse.Refuse).With(finding, CheckResponse.Tell);
            changed.To(finding).ShouldBe(CheckResponse.Tell);
            Enum.GetValues<CheckFinding>()
                .Where(f => f != finding)
                .ShouldAllBe(f => changed.To(f) == new CheckResponses().To(f));
        }
    }
}
