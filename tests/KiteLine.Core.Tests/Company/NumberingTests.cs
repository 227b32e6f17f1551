using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class NumberingTests
{
    [Theory]
    [InlineData("INV-", 5, 42, "INV-00042")]
    [InlineData("2026/", 3, 1234, "2026/1234")]
    [InlineData("", 1, 7, "7")]
    public void A_number_has_its_prefix_and_at_least_its_digits(
        string prefix,
        int digits,
        long number,
        string written
    ) => new DocumentNumbering(prefix, digits).Write(number).ShouldBe(written);

    [Fact]
    public void A_series_the_company_does_not_name_is_numbered_as_usual()
    {
        var company = new CompanySettings
        {
            Numbering = new Dictionary<DocumentSeries, DocumentNumbering> { [DocumentSeries.Invoice] = new("A") },
        };
        company.NumberingOf(DocumentSeries.Invoice).Prefix.ShouldBe("A");
        company.NumberingOf(DocumentSeries.Receipt).Prefix.ShouldBe("RCT-");
        Enum.GetValues<ItemKind>().Select(DocumentNumbering.Of).Distinct().Count().ShouldBe(7);
    }

    [Fact]
    public void Receivables_of_a_control_group_stand_on_its_own_account()
    {
        var company = new CompanySettings { ControlGroups = [new("HOME", "At home", "1101")] };
        company.AccountFor(PostingPurpose.Receivables, "HOME").ShouldBe("1101");
        company.AccountFor(PostingPurpose.Receivables, "").ShouldBe("1100");
        company.AccountFor(PostingPurpose.Bank, "HOME").ShouldBe("1200");
    }

    /// <summary>A company ages by as many buckets as it likes, each day in exactly one.</summary>
    [Fact]
    public void Any_number_of_buckets_holds_every_age_once()
    {
        var buckets = AgeingBuckets.Of([.. Enumerable.Range(1, 20).Select(n => n * n)]);
        buckets.Count.ShouldBe(22);
        buckets.Names[^1].ShouldBe("over400");
        for (var days = -5; days < 500; days++)
        {
            var name = buckets.Names[buckets.IndexOf(days)];
            if (days <= 0)
                name.ShouldBe("notDue");
            else if (days > 400)
                name.ShouldBe("over400");
            else
                days.ShouldBeInRange(int.Parse(name.Split('-')[0]), int.Parse(name.Split('-')[1]));
        }

        Should.Throw<ArgumentException>(() => AgeingBuckets.Of([.. Enumerable.Range(1, 21)]));
    }
}
