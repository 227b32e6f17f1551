namespace KiteLine.Core;

/// <summary>
/// 30/360 bond basis: every month has 30 days; a start on the 31st counts as the 30th, an end on the 31st counts as the
/// 30th only when the start is then on the 30th. February is not adjusted. Source: ISDA Definitions 2006, section
/// 4.16(f).
/// </summary>
public sealed class Thirty360BondBasis : DayCount
{
    /// <inheritdoc/>
    public override string Name => "30/360";

    /// <inheritdoc/>
    public override string Title => "30/360 bond basis";

    /// <inheritdoc/>
    public override string Explain(DateOnly start, DateOnly end) => $"{Days(start, end)} / 360";

    /// <inheritdoc/>
    protected override int CountDays(DateOnly start, DateOnly end)
    {
        var d1 = Math.Min(start.Day, 30);
        var d2 = end.Day == 31 && d1 == 30 ? 30 : end.Day;
        return Thirty(start.Year, start.Month, d1, end.Year, end.Month, d2);
    }

    /// <inheritdoc/>
    protected override YearFraction CountFraction(DateOnly start, DateOnly end) => new(CountDays(start, end), 360);
}
