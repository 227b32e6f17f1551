using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Accounts and groups of Today, each once with all its reasons.</summary>
public class TodayCallTests
{
    private static TodayEntry Entry(string about, TodayKind kind, decimal atRisk, bool ofGroup = false) =>
        new(
            kind,
            $"{kind}:{about}",
            about,
            $"Customer {about}",
            "C. Lerk",
            ofGroup,
            "text",
            Given.Pounds(atRisk),
            atRisk,
            null,
            null
        );

    private static string[] Of(params TodayEntry[] ranked) =>
        [
            .. TodayCalls
                .Of(ranked)
                .All.Select(c => $"{c.About} {c.AtRisk}: {string.Join(", ", c.Reasons.Select(r => r.Kind))}"),
        ];

    [Fact]
    public void An_account_stands_once_with_its_largest_reason_first() =>
        Of(
                Entry("A", TodayKind.PromiseBroken, 900),
                Entry("B", TodayKind.OverLimit, 500),
                Entry("A", TodayKind.OverLimit, 300)
            )
            .ShouldBe(["A 900.00: PromiseBroken, OverLimit", "B 500.00: OverLimit"]);

    [Fact]
    public void Reasons_are_not_added_up_since_they_are_often_about_the_same_money() =>
        Of(
                Entry("A", TodayKind.OverLimit, 400),
                Entry("B", TodayKind.HeldOrder, 300),
                Entry("B", TodayKind.HeldOrder, 290)
            )
            .ShouldBe(["A 400.00: OverLimit", "B 300.00: HeldOrder, HeldOrder"]);

    [Fact]
    public void A_group_is_no_account_of_the_same_name_and_codes_are_the_same_in_either_case()
    {
        Of(
                Entry("Quay", TodayKind.OverLimit, 9, ofGroup: true),
                Entry("QUAY", TodayKind.OverLimit, 8),
                Entry("quay", TodayKind.WillPass, 7)
            )
            .ShouldBe(["Quay 9.00: OverLimit", "QUAY 8.00: OverLimit, WillPass"]);
        TodayCalls.Of([]).All.ShouldBeEmpty();
    }

    [Fact]
    public void A_call_counts_once_for_each_kind_of_its_reasons()
    {
        var calls = TodayCalls.Of([
            Entry("A", TodayKind.HeldOrder, 400),
            Entry("A", TodayKind.OverLimit, 300),
            Entry("B", TodayKind.HeldOrder, 200),
            Entry("A", TodayKind.HeldOrder, 100),
        ]);
        (calls.With(TodayKind.HeldOrder), calls.With(TodayKind.OverLimit), calls.With(TodayKind.WillPass)).ShouldBe(
            (2, 1, 0)
        );
        (calls.All[0].Has(TodayKind.OverLimit), calls.All[1].Has(TodayKind.OverLimit)).ShouldBe((true, false));
    }
}
