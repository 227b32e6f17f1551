using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class CreditorReferenceTests
{
    /// <summary>Source: the example of ISO 11649, from memory.</summary>
    [Fact]
    public void The_example_of_the_standard_is_right()
    {
        CreditorReference.IsValid("RF18539007547034").ShouldBeTrue();
        CreditorReference.Of("539007547034").ShouldBe("RF18539007547034");
    }

    [Theory]
    [InlineData("RF19539007547034")]
    [InlineData("RF18539007547043")]
    [InlineData("RF18")]
    [InlineData("RF185390-07547034")]
    [InlineData("FR18539007547034")]
    [InlineData("RF18539007547034ABCDEFGHIJ")]
    public void What_is_changed_or_formed_otherwise_is_wrong(string text) =>
        CreditorReference.IsValid(text).ShouldBeFalse();

    [Fact]
    public void Any_body_gets_digits_that_are_right_and_no_others_are()
    {
        foreach (var body in new[] { "1", "INV1811", "ABCDEFGHIJKLMNOPQRSTU", "000", "Z9" })
        {
            var right = CreditorReference.Of(body);
            Enumerable
                .Range(0, 100)
                .Select(i => $"RF{i:00}{body}")
                .Where(CreditorReference.IsValid)
                .ShouldContain(right);
            Enumerable.Range(2, 97).Count(i => CreditorReference.IsValid($"RF{i:00}{body}")).ShouldBe(1);
        }

        Should.Throw<ArgumentException>(() => CreditorReference.Of("inv"));
        Should.Throw<ArgumentException>(() => CreditorReference.Of(new string('1', 22)));
    }
}
