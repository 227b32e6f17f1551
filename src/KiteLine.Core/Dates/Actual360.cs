namespace KiteLine.Core;

/// <summary>Actual/360: actual days over 360. Source: ISDA Definitions 2006, section 4.16(e).</summary>
public sealed class Actual360 : DayCount
{
    /// <inheritdoc/>
    public override string Name => "act/360";

    /// <inheritdoc/>
    public override string Title => "Actual/360";

    /// <inheritdoc/>
    public override string Explain(DateOnly start, DateOnly end) => $"{Days(start, end)} / 360";

    /// <inheritdoc/>
    protected override int CountDays(DateOnly start, DateOnly end) => Actual(start, end);

    /// <inheritdoc/>
    protected override YearFraction CountFraction(DateOnly start, DateOnly end) => new(Actual(start, end), 360);
}
