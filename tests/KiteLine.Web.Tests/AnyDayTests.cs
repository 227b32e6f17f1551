using System.Globalization;
using System.Text.Json;
using Dapper;
using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>The board as at any day against plain SQL over the raw movements of the demo.</summary>
public sealed class AnyDayTests(SharedDemo shared)
{
    private DemoApp Demo => shared.App;

    [Theory]
    [InlineData("2024-10-31")]
    [InlineData("2025-06-30")]
    [InlineData("2025-12-31")]
    [InlineData("2026-03-16")]
    [InlineData("2026-06-30")]
    public async Task Exposure_overdue_and_ageing_equal_the_sums_of_movements(string day)
    {
        var sums = Demo
            .Books.Read(c =>
                c.Query<(string Code, long Open, long Overdue, long Oldest)>(
                    """
                    SELECT a.code, sum(m.amount), sum(CASE WHEN i.due < @day THEN m.amount ELSE 0 END),
                           sum(CASE WHEN julianday(@day) - julianday(i.due) > 90 THEN m.amount ELSE 0 END)
                    FROM movement m JOIN item i ON i.id = m.item_id JOIN account a ON a.id = i.account_id
                    WHERE m.value_date <= @day GROUP BY a.code
                    """,
                    new { day }
                )
            )
            .ToDictionary(r => r.Code);
        var board = await Demo.Get($"/api/accounts?asOf={day}&pageSize=200");
        board.GetProperty("asOf").GetString().ShouldBe(day);
        foreach (var row in board.GetProperty("items").EnumerateArray())
        {
            var sum = sums.GetValueOrDefault(row.GetProperty("code").GetString()!);
            var at = $"{row.GetProperty("code")} on {day}";
            Minor(row.GetProperty("openItems")).ShouldBe(sum.Open, at);
            Minor(row.GetProperty("overdue")).ShouldBe(sum.Overdue, at);
            Minor(row.GetProperty("ageing")[4].GetProperty("amount")).ShouldBe(sum.Oldest, at);
        }
    }

    [Fact]
    public async Task A_settlement_on_a_past_day_never_knows_of_later_payments()
    {
        var code = (await Demo.Get("/api/accounts?sort=-exposure&pageSize=1"))
            .GetProperty("items")[0]
            .GetProperty("code")
            .GetString();
        foreach (var day in new[] { "2025-03-31", "2025-09-30", "2026-01-31" })
        {
            var open = (await Demo.Get($"/api/accounts?asOf={day}&q={code}")).GetProperty("items")[0];
            var settlement = await Demo.Get($"/api/accounts/{code}/settlement?on={day}");
            // Fees that were posted are items of the board and a line of their own here.
            var fees =
                Demo.Books.Read(c =>
                    c.ExecuteScalar<long?>(
                        "SELECT sum(m.amount) FROM movement m JOIN item i ON i.id = m.item_id JOIN account a ON a.id "
                            + "= i.account_id WHERE a.code = @code AND i.kind = 4 AND m.value_date <= @day",
                        new { code, day }
                    )
                ) ?? 0;
            (Minor(settlement.GetProperty("open")) + fees).ShouldBe(Minor(open.GetProperty("openItems")), day);
        }
    }

    private static long Minor(JsonElement amount) =>
        (long)(decimal.Parse(amount.GetString()!, CultureInfo.InvariantCulture) * 100);
}
