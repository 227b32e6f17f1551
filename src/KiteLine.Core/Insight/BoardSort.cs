namespace KiteLine.Core;

/// <summary>By what the board is sorted.</summary>
public enum BoardSort
{
    Code,
    Name,
    State,
    Exposure,
    Limit,
    Headroom,
    Overdue,
    Orders,
    Utilisation,
    OldestDays,
    Owner,
    Review,
    PassesOn,
    Change,
}
