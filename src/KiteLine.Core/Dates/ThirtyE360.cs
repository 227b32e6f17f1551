namespace KiteLine.Core;

/// <summary>
/// 30E/360 (Eurobond basis): every month has 30 days; a 31st counts as the 30th at either end. February is not
/// adjusted. Source: ISDA Definitions 2006, section 4.16(g).
/// </summary>
public sealed class ThirtyE360 : DayCount
{
    /// <inheritdoc/>
    public override string Name => "30e/360";

    /// <inheritdoc/>
    public override string Title => "30E/360";

    /// <inheritdoc/>
    public override string Explain(DateOnly start, DateOnly end) => $"{Days(start, end)} / 360";

    /// <inheritdoc/>
    protected override int CountDays(DateOnly start, DateOnly end) =>
        Thirty(start.Year, start.Month, Math.Min(start.Day, 30), end.Year, end.Month, Math.Min(end.Day, 30));

    /// <inheritdoc/>
    protected override YearFraction CountFraction(DateOnly start, DateOnly end) => new(CountDays(start, end), 360);
}
