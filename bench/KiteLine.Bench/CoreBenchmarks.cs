using BenchmarkDotNet.Attributes;
using KiteLine.Core;

namespace KiteLine.Bench;

/// <summary>The computations that run once for each item of a book.</summary>
[MemoryDiagnoser]
public class CoreBenchmarks
{
    private readonly LateChargePolicy _policy = ChargeLoop.Policy;
    private readonly BalanceChange[] _changes = [new(new(2026, 2, 1), -2500)];
    private readonly List<ChargeSegment> _segments = [];
    private readonly Terms _terms = Shorthand.Read("2/10 n/30");
    private readonly InvoiceAmounts _amounts = new(
        Money.FromMinor(100_000, Currency.Of("GBP")),
        Money.FromMinor(20_000, Currency.Of("GBP")),
        Money.FromMinor(0, Currency.Of("GBP"))
    );

    [Benchmark]
    public Money LateChargeOfTwoSegments()
    {
        _segments.Clear();
        DailyMethod.Accrue(_policy, 9000, _changes, new(2026, 1, 10), null, new(2026, 3, 16), _segments);
        return DailyMethod.Total(_policy, _segments, Currency.Of("GBP"), RoundingRule.HalfAwayFromZero);
    }

    [Benchmark]
    public decimal YearFractionActualActual() =>
        DayCount.Of("act/act-isda").YearFraction(new(2023, 11, 1), new(2024, 5, 1));

    [Benchmark]
    public Terms ReadShorthand() => Shorthand.Read("3/7, 1/14 n/45");

    [Benchmark]
    public PaymentSchedule Schedule() =>
        PaymentSchedule.For(
            _terms,
            _amounts,
            new(2026, 1, 31),
            BusinessCalendar.WeekendsOnly,
            RoundingRule.HalfAwayFromZero
        );
}
