using System.Globalization;
using System.Text.Json;
using KiteLine.Core;
using KiteLine.Store;

namespace KiteLine.Bench;

/// <summary>What a large book shows over time, over HTTP.</summary>
internal sealed class InsightWork(DateOnly day, Results results)
{
    private static readonly string[] Keys = ["owner", "group", "account", "customerType", "currency", "terms"];

    internal void Run(Caller caller)
    {
        caller.Get("/api/ageing?by=owner");
        var ageing = Keys.Max(key => Clock.Milliseconds(() => caller.Get($"/api/ageing?by={key}&pageSize=100")));
        results.Plain("ageing by any key, after the first, the longest of six", $"{ageing:N0} ms", "—", "—", "300 ms");
        var first = Clock.Milliseconds(() => caller.Get("/api/measures")) / 1000;
        results.Plain("measures, the first after a start", Results.Seconds(first), "—", "—", "—");
        var course = Clock.Milliseconds(() => caller.Get("/api/measures/course")) / 1000;
        results.Plain("measures of 12 months, after the first", Results.Seconds(course), "—", "—", "2 s");
        var leakage = Clock.Milliseconds(() => caller.Get("/api/leakage?by=month")) / 1000;
        results.Plain("leakage of three months, case by case", Results.Seconds(leakage), "—", "—", "—");
        var forecast = Clock.Milliseconds(() => caller.Get("/api/cash-forecast")) / 1000;
        results.Plain(
            "cash forecast of 13 weeks, and the one of four weeks ago",
            Results.Seconds(forecast),
            "—",
            "—",
            "—"
        );
        var from = day.AddYears(-1).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        var statement = Enumerable
            .Range(0, 3)
            .Min(_ => Clock.Milliseconds(() => caller.Get($"/api/accounts/{Long}/statement?from={from}")));
        results.Plain("statement of an account with 10,000 movements", $"{statement:N0} ms", "—", "—", "500 ms");
        foreach (var format in new[] { "csv", "xlsx" })
            results.Plain(
                $"ageing of every account as {format.ToUpperInvariant()}",
                Results.Seconds(
                    Clock.Milliseconds(() => caller.Get($"/api/ageing/file?by=account&format={format}")) / 1000
                ),
                "—",
                "—",
                "—"
            );
        WhatIf(caller);
    }

    /// <summary>A year of the whole book under another policy and other terms, as somebody waits for it.</summary>
    private void WhatIf(Caller caller)
    {
        var seconds =
            Clock.Milliseconds(() =>
            {
                var id = caller
                    .Send(
                        "/api/what-ifs",
                        JsonSerializer.Serialize(
                            new
                            {
                                name = "Bench",
                                from = day.AddYears(-1).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                                to = day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                                terms = "n/14",
                                lateCharges = "BENCH",
                            }
                        )
                    )
                    .GetProperty("id")
                    .GetInt64();
                while (caller.Fetch($"/api/what-ifs/{id}").GetProperty("state").GetString() == "atWork")
                    Thread.Sleep(100);
            }) / 1000;
        results.Plain("what-if over 100,000 accounts and a year", Results.Seconds(seconds), "—", "—", "30 s");
    }

    /// <summary>An account of 10,000 movements, none of them overdue, for its statement.</summary>
    internal static void SetUp(Books books, DateOnly day) =>
        books.Write(
            "bench",
            tx =>
            {
                var account = AccountStore.Open(tx, new(Long, Code: Long, Terms: "n/30"));
                var terms = PolicyStore.TermsByText(tx, "n/30");
                var zero = Money.Zero(account.Currency);
                for (var i = 0; i < Movements; i++)
                    PostingStore.Post(
                        tx,
                        account,
                        InvoicePosting.Invoice(
                            null,
                            day.AddDays(-(i % 25)),
                            new InvoiceAmounts(Money.FromMinor(10_000 + i, account.Currency), zero, zero),
                            terms.Definition.ToTerms(),
                            tx.Rules()
                        ),
                        terms.Id
                    );
                return account.Code;
            }
        );

    private const string Long = "LONG";

    private const int Movements = 10_000;
}
