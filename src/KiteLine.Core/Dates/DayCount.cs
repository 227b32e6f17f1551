namespace KiteLine.Core;

/// <summary>
/// A day-count convention: how many days lie between two dates, and what fraction of a year they are.
/// </summary>
/// <remarks>
/// The start is not counted and the end is, so a span that is cut in two has the same actual days as the whole.
/// Both questions expect <c>start ≤ end</c> and throw <see cref="ArgumentException"/> otherwise.
/// </remarks>
public abstract class DayCount
{
    private static readonly DayCount[] Known =
    [
        new Actual365Fixed(),
        new Actual360(),
        new ActualActualIsda(),
        new Thirty360BondBasis(),
        new ThirtyE360(),
    ];

    /// <summary>The name used in policies and at the interface, such as <c>act/365f</c>.</summary>
    public abstract string Name { get; }

    /// <summary>The name as a person would read it.</summary>
    public abstract string Title { get; }

    /// <summary>All conventions, in the order they are offered.</summary>
    public static IReadOnlyList<DayCount> All => Known;

    /// <summary>The convention with this name, or null.</summary>
    public static DayCount? Find(string? name) => Array.Find(Known, k => k.Name == name);

    /// <summary>The convention with this name.</summary>
    /// <exception cref="ArgumentException">There is no such convention.</exception>
    public static DayCount Of(string name) =>
        Find(name)
        ?? throw new ArgumentException(
            $"‘{name}’ is not a day count; use one of {string.Join(", ", Known.Select(k => k.Name))}.",
            nameof(name)
        );

    /// <summary>Days between two dates by this convention.</summary>
    public int Days(DateOnly start, DateOnly end) =>
        start <= end
            ? CountDays(start, end)
            : throw new ArgumentException($"The end {end:O} lies before the start {start:O}.", nameof(end));

    /// <summary>The fraction of a year between two dates, exact.</summary>
    public YearFraction Fraction(DateOnly start, DateOnly end) =>
        start <= end
            ? CountFraction(start, end)
            : throw new ArgumentException($"The end {end:O} lies before the start {start:O}.", nameof(end));

    /// <summary>The fraction of a year between two dates, to the full precision of a decimal.</summary>
    public decimal YearFraction(DateOnly start, DateOnly end) => Fraction(start, end).Value;

    /// <summary>The derivation of the fraction in words and numbers, for workings.</summary>
    public abstract string Explain(DateOnly start, DateOnly end);

    /// <inheritdoc/>
    public override string ToString() => Name;

    /// <summary>
    /// Days from the start, exclusive, to the end, inclusive, by the convention. The end is not before the start.
    /// </summary>
    protected abstract int CountDays(DateOnly start, DateOnly end);

    /// <summary>The same days as a fraction of a year.</summary>
    protected abstract YearFraction CountFraction(DateOnly start, DateOnly end);

    /// <summary>Calendar days between two dates.</summary>
    protected static int Actual(DateOnly start, DateOnly end) => end.DayNumber - start.DayNumber;

    /// <summary>Days between two dates in months of thirty days: 360 a year, 30 a month.</summary>
    protected static int Thirty(int y1, int m1, int d1, int y2, int m2, int d2) =>
        (360 * (y2 - y1)) + (30 * (m2 - m1)) + (d2 - d1);
}
