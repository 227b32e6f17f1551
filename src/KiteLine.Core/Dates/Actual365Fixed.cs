namespace KiteLine.Core;

/// <summary>
/// Actual/365 (Fixed): actual days over 365, in leap years too. Source: ISDA Definitions 2006, section 4.16(d).
/// </summary>
public sealed class Actual365Fixed : DayCount
{
    /// <inheritdoc/>
    public override string Name => "act/365f";

    /// <inheritdoc/>
    public override string Title => "Actual/365 fixed";

    /// <inheritdoc/>
    public override string Explain(DateOnly start, DateOnly end) => $"{Days(start, end)} / 365";

    /// <inheritdoc/>
    protected override int CountDays(DateOnly start, DateOnly end) => Actual(start, end);

    /// <inheritdoc/>
    protected override YearFraction CountFraction(DateOnly start, DateOnly end) => new(Actual(start, end), 365);
}
