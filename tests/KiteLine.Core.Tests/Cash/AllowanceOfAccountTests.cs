using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public sealed class AllowanceOfAccountTests
{
    private static readonly ShortPayAllowance Company = new(5, 1);
    private static readonly AccountAllowance Own = new(AllowanceChoice.Own, 40, 5);
    private static readonly AccountAllowance Barred = new(AllowanceChoice.Barred, 40, 5);

    [Fact]
    public void It_is_the_companys_ones_own_or_none()
    {
        AllowanceOfAccount.Of(AccountAllowance.Company, Company).ShouldBe(Company);
        AllowanceOfAccount.Of(Own, Company).ShouldBe(new(40, 5));
        AllowanceOfAccount.Of(Barred, Company).ShouldBe(ShortPayAllowance.None);
    }

    private static void Change(
        AccountAllowance before,
        AccountAllowance after,
        decimal? authority,
        Role role = Role.Manager
    ) =>
        AllowanceOfAccount.RefuseWithoutAuthority(
            before,
            after,
            Company,
            Given.Gbp,
            role,
            new Authority(null, null, null, authority),
            Given.Rules(new(2026, 3, 16))
        );

    [Fact]
    public void What_writes_off_more_takes_authority_and_what_writes_off_less_does_not()
    {
        Change(AccountAllowance.Company, Own, 40);
        Should.Throw<RefusedException>(() => Change(AccountAllowance.Company, Own, 39.99m));
        Change(Own, AccountAllowance.Company, 0);
        Change(Own, Barred, 0);
        // Nobody lifts a bar without what it then allows.
        Should.Throw<RefusedException>(() => Change(Barred, AccountAllowance.Company, 4));
        Change(Barred, AccountAllowance.Company, 5);
        // Nor below a manager, whatever the authority; to bar is free.
        Should
            .Throw<RefusedException>(() => Change(Barred, Own with { Amount = 0 }, null, Role.Controller))
            .Problems.Single()
            .Field.ShouldBe("allowance.choice");
        Change(AccountAllowance.Company, Barred, 0, Role.Controller);
        // A higher percentage alone writes off more too.
        Should.Throw<RefusedException>(() => Change(Own, Own with { Percent = 6 }, 39));
    }

    [Theory]
    [InlineData(-1, 1, "allowance.amount")]
    [InlineData(1.234, 1, "allowance.amount")]
    [InlineData(1, 101, "allowance.percent")]
    public void What_is_wrong_is_named(double amount, double percent, string field) =>
        new AccountAllowance(AllowanceChoice.Own, (decimal)amount, (decimal)percent)
            .Problems(Given.Gbp)
            .Select(p => p.Field)
            .ShouldBe([field]);
}
