using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>The number of a bank account. The IBANs are the registry's examples, from memory.</summary>
public sealed class BankAccountNumberTests
{
    [Theory]
    [InlineData("no93 8601 1117 947", "NO9386011117947")]
    [InlineData("DE89 3704 0044 0532 0130 00", "DE89370400440532013000")]
    [InlineData("20-30-12 12345678", "20-30-1212345678")]
    // Two letters and two digits begin other numbers too.
    [InlineData("AB12 3456", "AB123456")]
    public void It_is_an_iban_or_another_number(string text, string plain) =>
        BankAccountNumber.Read(text, "bankAccount").ShouldBe(plain);

    [Theory]
    [InlineData("NO93 8601 1117 94", "An IBAN of NO has 15 characters and this one has 14")]
    [InlineData("DE89 3704 0044 0532 0130 0", "An IBAN of DE has 22 characters and this one has 21")]
    [InlineData("DE88 3704 0044 0532 0130 00", "The check digits of this IBAN do not fit")]
    [InlineData("", "Give the IBAN")]
    public void A_slip_in_an_iban_is_named(string text, string problem) =>
        Should
            .Throw<RefusedException>(() => BankAccountNumber.Read(text, "bankAccount"))
            .Message.ShouldContain(problem);
}
