namespace KiteLine.Core;

/// <summary>Which months the monthly method charges.</summary>
public enum MonthsCounted
{
    /// <summary>Each month that began, on what was overdue on its first day.</summary>
    Started,

    /// <summary>Each month that is complete, on what stayed overdue to its end.</summary>
    Full,
}
