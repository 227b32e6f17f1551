using System.Globalization;
using System.Text.Json;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

public sealed class CalculatorTests(TestApp app) : IClassFixture<TestApp>
{
    public static TheoryData<int, string> Examples
    {
        get
        {
            var data = new TheoryData<int, string>();
            foreach (var (example, i) in All().Select((e, i) => (e, i)))
                data.Add(i, example.GetProperty("calculator").GetString()!);
            return data;
        }
    }

    /// <summary>Source: worked requests with the figures of their answers from an independent calculation.</summary>
    [Theory]
    [MemberData(nameof(Examples))]
    public async Task The_worked_examples_come_out(int index, string calculator)
    {
        var example = All()[index];
        var (status, answer) = await app.Post($"/api/calc/{calculator}", example.GetProperty("request").GetRawText());
        status.ShouldBe(200, answer.ToString());
        Same(example.GetProperty("answer"), answer, calculator);
        answer.GetProperty("workings").GetArrayLength().ShouldBeGreaterThan(0);
    }

    [Theory]
    [InlineData(
        "day-count",
        """{"start":"2026-02-30","end":"x","convention":"act/366"}""",
        "start",
        "end",
        "convention"
    )]
    [InlineData("day-count", """{"start":"2026-03-02","end":"2026-03-01","convention":"act/360"}""", "end")]
    [InlineData("day-count", "{}", "start", "end", "convention")]
    [InlineData("day-count", "[]", "body")]
    [InlineData("day-count", """{"start":{}}""", "start")]
    [InlineData(
        "allocation",
        """
            {"currency":"GBP","valueDate":"2026-02-10","cash":"0","items":[{"id":"","due":"x","open":"0"},
            {"id":"","due":"2026-02-10","open":"1.005"}]}
            """,
        "cash",
        "items",
        "items[0].due",
        "items[0].id",
        "items[0].open",
        "items[1].id",
        "items[1].open"
    )]
    [InlineData(
        "measures",
        """{"days":30,"months":[{"days":31,"sales":"1"},{"days":32,"sales":"x"}]}""",
        "days",
        "months[1].days",
        "months[1].sales",
        "notDueEnd",
        "receivablesEnd",
        "receivablesStart"
    )]
    [InlineData("measures", "{}", "months", "notDueEnd", "receivablesEnd", "receivablesStart")]
    [InlineData("terms", """{"text":"2/ n/30"}""", "text")]
    [InlineData("terms", """{"text":"60% now, 50% 30"}""", "instalments")]
    [InlineData("schedule", """{"invoiceDate":"2026-01-31","currency":"POUND","net":"1","terms":"n/30"}""", "currency")]
    [InlineData(
        "schedule",
        """{"invoiceDate":"2026-01-31","currency":"GBP","net":"1.005","tax":"-1","terms":"whenever"}""",
        "net",
        "tax",
        "terms"
    )]
    [InlineData("schedule", """{"invoiceDate":"2026-01-31","currency":"JPY","net":"100.5","terms":"n/30"}""", "net")]
    [InlineData(
        "schedule",
        """{"invoiceDate":"2026-01-31","currency":"GBP","net":"100","notDiscountable":"101","terms":"n/30"}""",
        "notDiscountable"
    )]
    [InlineData(
        "schedule",
        """{"invoiceDate":"2026-01-31","currency":"GBP","net":"100","discountBase":"half","terms":7}""",
        "discountBase",
        "terms"
    )]
    [InlineData(
        "schedule",
        """
            {"invoiceDate":"2026-01-31","currency":"GBP","net":"100","terms":{"instalments":[{"percent":"60",
            "due":{"anchor":"invoiceDate"}},{"percent":"50","due":{"anchor":"invoiceDate"}}]}}
            """,
        "terms.instalments"
    )]
    [InlineData(
        "schedule",
        """
            {"invoiceDate":"2026-01-31","currency":"GBP","net":"100","terms":{"instalments":[{"remainder":true,
            "percent":"5","due":{"anchor":"someday"}}]}}
            """,
        "terms.instalments[0]",
        "terms.instalments[0].due.anchor"
    )]
    [InlineData(
        "late-charge",
        """{"currency":"GBP","amount":"100","dueDate":"2026-01-01","through":"2026-02-01"}""",
        "policy"
    )]
    [InlineData(
        "late-charge",
        """
            {"currency":"GBP","amount":"100","dueDate":"2026-01-01","through":"2026-02-01","movements":[{"date":"no",
            "amount":"1.001"}],"policy":{"rates":[],"dayCount":"x","waitDays":-1,"countFrom":"monday","minimum":"3",
            "maximum":"2"}}
            """,
        "movements[0].date",
        "movements[0].amount",
        "policy.dayCount",
        "policy.countFrom",
        "policy.rates",
        "policy.waitDays",
        "policy.minimum"
    )]
    [InlineData(
        "receipt",
        """{"currency":"GBP","valueDate":"2026-02-10","cash":"0","item":{"open":"0"},"discountGraceDays":-1}""",
        "cash",
        "item.open",
        "discountGraceDays"
    )]
    [InlineData(
        "receipt",
        """
            {"currency":"GBP","valueDate":"2026-02-10","cash":"5","item":{"open":"9","discounts":[{"deadline":"soon",
            "amount":"-2"}]},"allowance":{"amount":"1"}}
            """,
        "item.discounts[0].deadline",
        "item.discounts[0].amount",
        "allowance.percent"
    )]
    public async Task What_is_wrong_is_told_field_by_field(string calculator, string body, params string[] fields) =>
        (await app.Refused($"/api/calc/{calculator}", body)).ShouldBe(fields, ignoreOrder: true);

    [Fact]
    public async Task Unreadable_terms_say_where_and_what_was_expected()
    {
        var (_, problem) = await app.Post("/api/calc/terms", new { text = "2/10 x/30" });
        problem.GetProperty("position").GetInt32().ShouldBe(5);
        problem.GetProperty("expected").GetString().ShouldNotBeNull().ShouldContain("n/");
    }

    [Fact]
    public async Task Terms_are_answered_in_the_shape_that_a_schedule_takes()
    {
        var (_, read) = await app.Post("/api/calc/terms", new { text = "3/7, 20.00 off/14, 40% now, rest 15 prox" });
        read.GetProperty("text").GetString().ShouldBe("3/7, 20.00 off/14, 40% now, rest 15 prox");
        read.GetProperty("instalments")[1]
            .GetProperty("due")
            .GetProperty("anchor")
            .GetString()
            .ShouldBe("dayOfNextMonth");
        read.GetProperty("discounts")[1].GetProperty("amount").GetString().ShouldBe("20.00");
        object Request(object terms) =>
            new
            {
                invoiceDate = "2026-03-16",
                currency = "GBP",
                net = "1000.00",
                tax = "200.00",
                notDiscountable = "0.00",
                discountBase = "gross",
                terms,
            };
        var (_, byShape) = await app.Post("/api/calc/schedule", Request(read));
        var (_, byText) = await app.Post("/api/calc/schedule", Request(read.GetProperty("text").GetString()!));
        byShape.GetRawText().ShouldBe(byText.GetRawText());
    }

    [Fact]
    public async Task Numbers_are_taken_where_decimal_strings_are_wanted_digit_for_digit()
    {
        var (status, answer) = await app.Post(
            "/api/calc/receipt",
            """{"currency":"GBP","valueDate":"2026-02-10","cash":950.10,"item":{"open":1000.00,"discounts":[]}}"""
        );
        status.ShouldBe(200);
        answer.GetProperty("cash").GetString().ShouldBe("950.10");
    }

    /// <summary>
    /// The example of the interface's description: waits, a movement, bands, minimum and maximum in one.
    /// </summary>
    [Fact]
    public async Task A_late_charge_with_everything_adds_up_from_its_segments()
    {
        var (_, answer) = await app.Post(
            "/api/calc/late-charge",
            """
            {"currency":"GBP","amount":"9000.00","dueDate":"2026-01-10","movements":[{"date":"2026-02-01",
            "amount":"-2500.00"}],"chargedThrough":null,"through":"2026-03-16",
             "policy":{"rates":[{"from":"2000-01-01","annualRate":"12"}],"dayCount":"act/365f","waitDays":15,
             "countFrom":"dueDate","bands":[{"above":"5000.00","annualRate":"10"}],
             "minimum":"0.50","belowMinimum":"raise","maximum":"250.00"}}
            """
        );
        // By hand: 22 days on 5,000 at 12 % and 4,000 at 10 %, then 43 days on 5,000 at 12 % and 1,500 at 10 %, over
        // 365.
        var byHand = ((5000 * 12m + 4000 * 10m) * 22 + (5000 * 12m + 1500 * 10m) * 43) / 36500;
        answer.GetProperty("total").GetString().ShouldBe(Math.Round(byHand, 2).ToString(CultureInfo.InvariantCulture));
        var segments = answer.GetProperty("segments").EnumerateArray().ToArray();
        segments.Length.ShouldBe(4);
        segments.Sum(s => Number(s.GetProperty("amount"))).ShouldBe(byHand, 0.000001m);
        segments[0].GetProperty("from").GetString().ShouldBe("2026-01-11");
        segments[0].GetProperty("to").GetString().ShouldBe("2026-02-01");
    }

    [Fact]
    public async Task An_unearned_discount_states_the_days()
    {
        var (_, answer) = await app.Post(
            "/api/calc/receipt",
            """
            {"currency":"GBP","valueDate":"2026-02-13","cash":"980","item":{"open":"1000",
            "discounts":[{"deadline":"2026-02-10","amount":"20"}]}}
            """
        );
        answer.GetProperty("findings")[0].GetString().ShouldBe("discount-unearned");
        answer.GetProperty("daysLate").GetInt32().ShouldBe(3);
    }

    private static JsonElement[] All() =>
        [
            .. JsonDocument
                .Parse(File.ReadAllText(Repository.File("tests", "reference", "contract-examples.json")))
                .RootElement.EnumerateArray(),
        ];

    // Figures are compared as numbers: a fraction or cost may bear more decimals than the example.
    private static void Same(JsonElement expected, JsonElement actual, string at)
    {
        switch (expected.ValueKind)
        {
            case JsonValueKind.Object:
                foreach (var property in expected.EnumerateObject())
                    Same(property.Value, actual.GetProperty(property.Name), $"{at}.{property.Name}");
                break;
            // Where more than one answer is right, all that are stand in a list.
            case JsonValueKind.Array when at == "allocation.rule":
                expected.EnumerateArray().Select(e => e.GetString()).ShouldContain(actual.GetString(), at);
                break;
            case JsonValueKind.Array when at == "allocation.lines":
                static JsonElement[] ById(JsonElement lines) =>
                    [.. lines.EnumerateArray().OrderBy(l => l.GetProperty("id").GetString(), StringComparer.Ordinal)];
                var (wanted, given) = (ById(expected), ById(actual));
                given.Length.ShouldBe(wanted.Length, at);
                for (var i = 0; i < wanted.Length; i++)
                    Same(wanted[i], given[i], $"{at}[{i}]");
                break;
            case JsonValueKind.Array:
                actual.GetArrayLength().ShouldBe(expected.GetArrayLength(), at);
                for (var i = 0; i < expected.GetArrayLength(); i++)
                    Same(expected[i], actual[i], $"{at}[{i}]");
                break;
            case JsonValueKind.String
                when decimal.TryParse(
                    expected.GetString(),
                    NumberStyles.Float,
                    CultureInfo.InvariantCulture,
                    out var number
                ):
                var tolerance =
                    at.EndsWith("Cost", StringComparison.Ordinal) ? 0.00000001m
                    : at.EndsWith("fraction", StringComparison.Ordinal) ? 0.0000000000001m
                    : 0;
                Number(actual).ShouldBe(number, tolerance, at);
                break;
            default:
                actual.ToString().ShouldBe(expected.ToString(), at);
                break;
        }
    }

    private static decimal Number(JsonElement text) =>
        decimal.Parse(text.GetString()!, NumberStyles.Float, CultureInfo.InvariantCulture);
}
