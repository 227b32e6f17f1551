using Shouldly;
using Xunit;

namespace KiteLine.Core.Tests;

/// <summary>Promises of 300.00 and 500.00 by the 6th and the 13th; all days and sums are worked by hand.</summary>
public sealed class PromiseLedgerTests
{
    private static readonly BookPromise First = new(1, Given.Day("2026-03-02"), Given.Day("2026-03-06"), 30_000);
    private static readonly BookPromise Second = new(2, Given.Day("2026-03-03"), Given.Day("2026-03-13"), 50_000);

    private static string On(string day, BookPromise[] promises, params (string Day, long Minor)[] cash)
    {
        var account = Given.Ledger(null).Book;
        foreach (var (on, minor) in cash)
            account = Given.WithReceipt(account, minor, Given.Day(on));
        return string.Join(
            ", ",
            PromiseLedger
                .On(account with { Promises = promises }, Given.Day(day), BusinessCalendar.WeekendsOnly)
                .All.Select(s => $"{s.Promise.Id} {s.State} {s.Received + s.ReceivedLate}")
        );
    }

    /// <summary>One receipt of 500.00 keeps the first and 200.00 of the second, and not both.</summary>
    [Fact]
    public void Cash_keeps_one_promise_and_not_two()
    {
        On("2026-03-16", [First, Second], ("2026-03-05", 50_000)).ShouldBe("1 Kept 30000, 2 PartKept 20000");
        On("2026-03-16", [Second, First], ("2026-03-05", 50_000)).ShouldBe("1 Kept 30000, 2 PartKept 20000");
        On("2026-03-12", [First, Second], ("2026-03-05", 50_000)).ShouldBe("1 Kept 30000, 2 Waiting 20000");
        On("2026-03-16", [First, Second], ("2026-03-05", 80_000)).ShouldBe("1 Kept 30000, 2 Kept 50000");
    }

    [Fact]
    public void What_comes_after_the_day_keeps_it_late_first()
    {
        On("2026-03-10", [First, Second]).ShouldBe("1 Broken 0, 2 Waiting 0");
        On("2026-03-12", [First, Second], ("2026-03-11", 40_000)).ShouldBe("1 KeptLate 30000, 2 Waiting 10000");
        On("2026-03-16", [First, Second], ("2026-03-11", 20_000)).ShouldBe("1 PartKept 20000, 2 Broken 0");
    }

    /// <summary>Being later alone replaces nothing; one that was replaced takes no cash.</summary>
    [Fact]
    public void A_promise_is_replaced_by_one_that_names_it()
    {
        var replaced = First with { WithdrawnOn = Given.Day("2026-03-03"), Replaced = true };
        On("2026-03-16", [replaced, Second], ("2026-03-05", 50_000)).ShouldBe("1 Replaced 0, 2 Kept 50000");
        var account = Given.Ledger(null).Book with { Promises = [First, Second] };
        var ledger = PromiseLedger.On(account, Given.Day("2026-03-10"), BusinessCalendar.WeekendsOnly);
        (ledger.Broken!.Promise.Id, ledger.Open.Single().Promise.Id, ledger.Told!.Promise.Id).ShouldBe((1, 2, 1));
    }
}
