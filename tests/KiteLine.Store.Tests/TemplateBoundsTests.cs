using KiteLine.Core;
using KiteLine.Formats;
using Shouldly;
using Xunit;

namespace KiteLine.Store.Tests;

/// <summary>No template ends the program, runs on or grows without an end; those that letters need are taken.</summary>
public class TemplateBoundsTests
{
    private static string Times(string text, int n) => string.Concat(Enumerable.Repeat(text, n));

    public static TheoryData<string, string> Endless =>
        new()
        {
            { "brackets", "{{ " + new string('(', 4_000) + "total" + new string(')', 4_000) + " }}" },
            { "square brackets", "{{ " + Times("total[", 150) + " }}" },
            { "blocks", Times("{% if total %}", 3_000) + Times("{% endif %}", 3_000) },
            { "a few blocks too many", Times("{% if total %}", 12) + Times("{% endif %}", 12) },
            { "filters", "{{ total" + Times(" | upcase", 20_000) + " }}" },
            { "a few filters too many", "{{ total" + Times(" | upcase", 15) + " }}" },
            { "a loop over numbers", "{% for i in (1..2000000000) %}x{% endfor %}" },
            { "a loop over numbers in a row", "{% tablerow i in (1..2000000000) %}x{% endtablerow %}" },
            { "another file", "{% include 'letter' %}" },
            { "another template", "{% render 'letter' %}" },
            { "a program", "{% liquid\nassign a = 1\n%}" },
            { "a tag without an end", "{{ total " + new string(' ', 9_000) },
            { "a text without an end", "{{ \"" + new string('(', 9_000) },
            { "tags", Times("{{ total }}", 900) },
            { "length", new string('x', 10_001) },
            { "what a close hides", "{{ \"}}\" | " + new string('(', 4_000) + " }}" },
            {
                "joined to itself",
                "{% assign a = total %}" + Times("{% assign a = a | append: a %}", 60) + "{{ a | size }}"
            },
            {
                "caught in itself",
                "{% assign a = 'xxxxxxxx' %}" + Times("{% capture a %}{{ a }}{{ a }}{% endcapture %}", 50) + "{{ a }}"
            },
            { "unknown filters", "{{ total | replace: 'x', total }}" },
            { "numbers beyond all", "{{ 99999999999999999999999999 | times: 99999999999999 }}" },
        };

    [Theory]
    [MemberData(nameof(Endless))]
    public void A_template_beyond_its_bounds_is_refused_in_words(string what, string template)
    {
        TermsTexts.Kind.Problem(template).ShouldNotBeNullOrWhiteSpace(what);
        LetterTexts.Kind.Problem(template).ShouldNotBeNullOrWhiteSpace(what);
    }

    [Fact]
    public void A_stored_template_beyond_its_bounds_is_refused_when_it_is_filled()
    {
        var values = new Dictionary<string, object> { ["total"] = new string('x', 1_900) };
        Should
            .Throw<RefusedException>(() => LiquidText.Fill(Times("{{ total }}", 11), values))
            .Message.ShouldContain("20,000");
        Should.Throw<RefusedException>(() => LiquidText.Fill("{% include 'x' %}", values));
        LiquidText.Fill(Times("{{ total }}", 10), values).Length.ShouldBe(19_000);
    }

    [Theory]
    [InlineData("{% if total %}{% unless date == '' %}{{ total | append: ', due now' }}{% endunless %}{% endif %}")]
    [InlineData("{%- for d in discounts -%}{{ d.percent | default: 'an amount' }}{%- endfor -%}")]
    [InlineData("{% case terms %}{% when 'n/30' %}a{% else %}b{% endcase %}")]
    [InlineData("{% for i in instalments %}{% if i.amount == '' %}{% continue %}{% endif %}{{ i.due }}{% endfor %}")]
    [InlineData("{% assign a = total | append: '!' %}{% capture b %}{{ a }} by {{ due }}{% endcapture %}{{ b }}")]
    [InlineData("Quotes ' and \" outside, and }} or %} alone, and (((((((((((((((brackets))))))))))))))).")]
    [InlineData("{{ 'a }} in quotes' }} and {{ \"(((((((((((((\" | size }}")]
    public void What_letters_need_is_taken(string template) => TermsTexts.Kind.Problem(template).ShouldBeNull();

    [Fact]
    public void Whatever_is_put_together_ends_in_words_or_is_filled()
    {
        string[] parts =
        [
            "{{",
            "}}",
            "{%",
            "%}",
            "{{ total }}",
            "{% if total %}",
            "{% endif %}",
            "{% for d in discounts %}",
            "{% endfor %}",
            "{% assign a = a | append: total %}",
            "{% capture a %}",
            "{% endcapture %}",
            "{{ a }}",
            "(",
            "[",
            "|",
            "'",
            "\"",
            "\\",
            "..",
            " | upcase",
            " total ",
            "{% comment %}",
            "{% raw %}",
            "-",
            "\n",
        ];
        var random = new Random(20_261_126);
        var filled = 0;
        for (var n = 0; n < 3_000; n++)
        {
            var template = string.Concat(random.GetItems(parts, random.Next(40)));
            if (TermsTexts.Kind.Problem(template) is not null)
                continue;
            LiquidText
                .Fill(template, new Dictionary<string, object> { ["total"] = "5.00 GBP" })
                .Length.ShouldBeLessThanOrEqualTo(Bounds.FilledTemplate);
            filled++;
        }

        // Some of them are sound; otherwise nothing but the first look would have been tried.
        filled.ShouldBeGreaterThan(50);
    }
}
