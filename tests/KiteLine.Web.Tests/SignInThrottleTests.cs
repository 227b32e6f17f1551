using Shouldly;
using Xunit;

namespace KiteLine.Web.Tests;

/// <summary>Guessing gets slower; nobody else is kept out by it.</summary>
public class SignInThrottleTests
{
    private readonly Clock _clock = new();
    private readonly SignInThrottle _throttle;

    public SignInThrottleTests() => _throttle = new(_clock);

    private int Guesses(string name, string address, int tries) =>
        Enumerable.Range(0, tries).Count(_ => _throttle.Begin(name, address) == TimeSpan.Zero);

    [Fact]
    public void Tries_get_slower_after_five_and_are_forgotten_after_a_while()
    {
        Guesses("ada", "::1", 50).ShouldBe(5);
        _throttle.Begin("Ada", "::1").ShouldBe(TimeSpan.FromSeconds(5));
        _clock.Passes(5);
        Guesses("ada", "::1", 50).ShouldBe(1);
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.FromSeconds(10));
        for (var i = 0; i < 10; i++)
        {
            _clock.Passes(40);
            _throttle.Begin("ada", "::1");
        }

        // Somebody with this name elsewhere is not kept out by a few wrong tries here.
        _throttle.Begin("ada", "::2").ShouldBe(TimeSpan.Zero);
        // However many there were, nobody waits longer, and no hour has more than a hundred.
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.FromSeconds(40));
        var guesses = 0;
        for (var second = 0; second < 3600; second++)
        {
            _clock.Passes(1);
            guesses += Guesses("ada", "::1", 3);
        }

        guesses.ShouldBe(90);
        _clock.Passes(16 * 60);
        Guesses("bea", "::1", 1).ShouldBe(1);
        Guesses("ada", "::1", 50).ShouldBe(5);
    }

    [Fact]
    public void Tries_side_by_side_get_no_more_guesses()
    {
        var begun = 0;
        Parallel.For(
            0,
            120,
            _ =>
            {
                if (_throttle.Begin("ada", "::1") == TimeSpan.Zero)
                    Interlocked.Increment(ref begun);
            }
        );
        begun.ShouldBe(5);
    }

    [Fact]
    public void Wrong_tries_of_one_machine_keep_out_nobody_who_signed_in_there_and_others_for_seconds()
    {
        _throttle.Begin("ada", "::1");
        _throttle.Succeeded("ada", "::1");
        for (var i = 0; i < 200; i++)
            _throttle.Begin($"made up {i}", "::1");
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.Zero);
        _throttle.Begin("bea", "::1").ShouldBe(TimeSpan.FromSeconds(2));
        _clock.Passes(2);
        _throttle.Begin("bea", "::1").ShouldBe(TimeSpan.Zero);
        _throttle.Begin("cid", "::2").ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public void A_name_that_is_tried_from_everywhere_waits_but_for_whoever_signed_in_from_there()
    {
        _throttle.Begin("ada", "::1");
        _throttle.Succeeded("ada", "::1");
        var guesses = Enumerable.Range(2, 100).Sum(i => Guesses("ada", $"::{i}", 3));
        guesses.ShouldBe(20);
        _throttle.Begin("ada", "::999").ShouldBeGreaterThan(TimeSpan.Zero);
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public void A_clock_that_is_set_back_keeps_nobody_out()
    {
        Guesses("ada", "::1", 6).ShouldBe(5);
        _clock.Wall = _clock.Wall.AddDays(-40);
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.FromSeconds(5));
        _clock.Passes(5);
        _throttle.Begin("ada", "::1").ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public void Made_up_names_fill_no_memory()
    {
        for (var i = 0; i < 60_000; i++)
            _throttle.Begin($"{i} {new string('x', 2_000)}", $"10.0.{i / 250}.{i % 250}");
        _throttle.Kept.ShouldBeLessThan(25_000);
    }

    private sealed class Clock : TimeProvider
    {
        private long _passed;

        internal DateTimeOffset Wall { get; set; } = new(2026, 3, 16, 8, 0, 0, TimeSpan.Zero);

        internal void Passes(int seconds)
        {
            _passed += seconds * TimeSpan.TicksPerSecond;
            Wall = Wall.AddSeconds(seconds);
        }

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override long GetTimestamp() => _passed;

        public override DateTimeOffset GetUtcNow() => Wall;
    }
}
