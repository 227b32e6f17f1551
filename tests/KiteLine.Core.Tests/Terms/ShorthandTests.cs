using CsCheck;
using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

public class ShorthandTests
{
    [Theory]
    [InlineData("2/10 n/30", "2/10 n/30")]
    [InlineData("2/10, n/30", "2/10 n/30")]
    [InlineData("2/10 net 30", "2/10 n/30")]
    [InlineData("  2 / 10   N / 30 ", "2/10 n/30")]
    [InlineData("2%/10 n/30", "2/10 n/30")]
    [InlineData("3/7, 1/14 n/45", "3/7, 1/14 n/45")]
    [InlineData("3/7 1/14 n/45", "3/7, 1/14 n/45")]
    [InlineData("n/30 EOM", "n/30 EOM")]
    [InlineData("net 30 days eom", "n/30 EOM")]
    [InlineData("2/10 EOM n/60", "2/10 EOM n/60")]
    [InlineData("15 prox", "15 prox")]
    [InlineData("n/15 prox", "15 prox")]
    [InlineData("2/10 prox, 15 prox +1m", "2/10 prox, 15 prox +1m")]
    [InlineData("15 prox cut-off 25", "15 prox cut-off 25")]
    [InlineData("cod", "COD")]
    [InlineData("CIA", "CIA")]
    [InlineData("n/0", "n/0")]
    [InlineData("n/2m", "n/2m")]
    [InlineData("n/1m+10 EOM", "n/1m+10 EOM")]
    [InlineData("40% now, rest 20", "40% now, rest 20")]
    [InlineData("30% now, 30% 30, rest 60 EOM", "30% now, 30% 30, rest 60 EOM")]
    [InlineData("500.00 now, rest 30", "500.00 now, rest 30")]
    [InlineData("50% now, 50% 30", "50% now, 50% 30")]
    [InlineData("2/10, 40% now, rest 20", "2/10, 40% now, rest 20")]
    [InlineData("20.00 off/10 n/30", "20.00 off/10 n/30")]
    [InlineData("2.25/14 n/30", "2.25/14 n/30")]
    [InlineData("#SKONTO#TAGE=14#PROZENT=2.00#", "2/14 n/30")]
    [InlineData(
        "#SKONTO#TAGE=7#PROZENT=3.00#\n#SKONTO#TAGE=14#PROZENT=1.50#BASISBETRAG=357.93#\n n/45",
        "3/7, 1.5/14 n/45"
    )]
    public void The_notation_is_read_and_written_in_its_normal_form(string text, string normal)
    {
        var terms = Shorthand.Read(text);
        terms.ToString().ShouldBe(normal);
        Shorthand.Read(normal).ToString().ShouldBe(normal);
    }

    [Theory]
    [InlineData("", 0, "n/")]
    [InlineData("soon", 0, "n/")]
    [InlineData("2/10", 4, "n/")]
    [InlineData("2/ n/30", 3, "number of days")]
    [InlineData("2/10 x/30", 5, "n/")]
    [InlineData("n/", 2, "number of days")]
    [InlineData("n/30 EOX", 5, "end of the terms")]
    [InlineData("2/10 n/30 n/40", 10, "end of the terms")]
    [InlineData("n/40 prox", 2, "1 to 31")]
    [InlineData("40% now, then 20", 9, "rest")]
    [InlineData("15 prox cut-off 44", 16, "1 to 31")]
    [InlineData("#SKONTO#TAGE=x#", 13, "number of days")]
    [InlineData("#SKONTO#TAGE=14#PERCENT=2#", 15, "PROZENT")]
    [InlineData("5 off n/30", 6, "/")]
    public void What_cannot_be_read_names_the_place_and_what_was_expected(string text, int position, string expected)
    {
        var refused = Should.Throw<ShorthandException>(() => Shorthand.Read(text));
        refused.Position.ShouldBe(position);
        refused.Expected.ShouldContain(expected);
        Shorthand.TryRead(text, out var problem).ShouldBeNull();
        problem.ShouldNotBeNull().ShouldContain($"position {position + 1}");
    }

    [Theory]
    [InlineData("60% now, 50% 30", "110 %")]
    [InlineData("60% now, 30% 30", "90 %")]
    [InlineData("rest now, 40% 30", "stands last")]
    [InlineData("100% now, rest 30", "nothing is left")]
    [InlineData("500.00 now, 50% 30", "must be the rest")]
    [InlineData("120% now", "at most 100")]
    [InlineData("0/10 n/30", "above 0 %")]
    [InlineData("100/10 n/30", "below 100 %")]
    [InlineData("n/9999", "0 to 3650")]
    public void What_can_be_read_but_makes_no_sense_says_why(string text, string reason) =>
        Should.Throw<TermsException>(() => Shorthand.Read(text)).Message.ShouldContain(reason);

    [Fact]
    public void Reading_what_was_written_gives_the_same_terms() =>
        GenTerms.Sample(terms =>
        {
            var again = Shorthand.Read(terms.ToString());
            again.Instalments.ShouldBe(terms.Instalments);
            again.Discounts.ShouldBe(terms.Discounts);
            again.Moment.ShouldBe(terms.Moment);
        });

    [Fact]
    public void No_text_makes_the_reader_fail_in_any_other_way() =>
        Gen.Char["2/10n EOMprox%,restnow#SKONTAGEPZ=.+-cutof "]
            .Array[0, 24]
            .Select(c => new string(c))
            .Sample(text =>
            {
                if (Shorthand.TryRead(text, out var problem) is null)
                    problem.ShouldNotBeNullOrWhiteSpace();
            });

    [Fact]
    public void Cash_on_delivery_and_in_advance_fall_due_at_once_and_keep_their_name()
    {
        var schedule = Given.Schedule(Shorthand.Read("COD"), Given.Amounts(100), Given.Day("2026-03-16"));
        schedule.Instalments.ShouldHaveSingleItem().Due.ShouldBe(Given.Day("2026-03-16"));
        Shorthand.Read("COD").Moment.ShouldBe(PaymentMoment.OnDelivery);
        Shorthand.Read("CIA").Moment.ShouldBe(PaymentMoment.InAdvance);
    }

    internal static readonly Gen<DueRule> GenRule = Gen.Select(
            Gen.Int[0, 2],
            Gen.Int[1, 31],
            Gen.Int[0, 3],
            Gen.Int[0, 90]
        )
        .Select(
            (kind, day, months, days) =>
                new DueRule(
                    kind switch
                    {
                        0 => DueAnchor.InvoiceDate,
                        1 => DueAnchor.MonthEnd,
                        _ => DueAnchor.DayOfNextMonth(day),
                    },
                    months,
                    days
                )
        );

    internal static readonly Gen<Terms> GenTerms = Gen.Select(
            Gen.Select(Gen.Int[1, 60], GenRule).Select((p, r) => (Share: p / 2m, Rule: r)).Array[0, 3],
            GenRule,
            Gen.Select(Gen.Int[1, 80], GenRule)
                .Select((p, r) => new DiscountStep(new DiscountValue.Percent(p / 4m), r))
                .Array[0, 3]
        )
        .Select(
            (parts, last, discounts) =>
                Terms.Create(
                    [
                        .. parts.Select(p => new Instalment(new InstalmentShare.Percent(p.Share), p.Rule)),
                        new(new InstalmentShare.Remainder(), last),
                    ],
                    discounts
                )
        );
}
