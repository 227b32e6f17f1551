namespace KiteLine.Core;

/// <summary>By what the board is sorted.</summary>
public enum BoardSort
{
    /// <summary>By code.</summary>
    Code,

    /// <summary>By name.</summary>
    Name,

    /// <summary>By state: open, watch, stop.</summary>
    State,

    /// <summary>By exposure, in minor units of each account’s own currency.</summary>
    Exposure,

    /// <summary>By effective limit, in minor units.</summary>
    Limit,

    /// <summary>By headroom, in minor units; least first is most over the limit.</summary>
    Headroom,

    /// <summary>By what is overdue, in minor units.</summary>
    Overdue,

    /// <summary>By orders that are exposed, in minor units.</summary>
    Orders,

    /// <summary>By exposure as a share of the effective limit.</summary>
    Utilisation,

    /// <summary>By the age of the oldest overdue item, in days.</summary>
    OldestDays,

    /// <summary>By owner.</summary>
    Owner,

    /// <summary>By the day of the review; accounts without one last.</summary>
    Review,

    /// <summary>By the day on which the limit is passed; accounts that pass none last.</summary>
    PassesOn,

    /// <summary>By the change of the exposure since another day.</summary>
    Change,
}
