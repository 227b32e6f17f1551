namespace KiteLine.Core;

/// <summary>How often a run is proposed by itself.</summary>
public enum RunRhythm
{
    /// <summary>On every business day.</summary>
    Daily,

    /// <summary>Once a week: on its day, or the next business day of that week.</summary>
    Weekly,

    /// <summary>Once a month, on a business day counted from its first.</summary>
    Monthly,
}
