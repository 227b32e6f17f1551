namespace KiteLine.Web;

/// <summary>By what cases of leakage are added up.</summary>
internal enum LeakBy
{
    /// <summary>By how it leaked.</summary>
    Kind,

    /// <summary>By customer.</summary>
    Account,

    /// <summary>By who looks after the customer.</summary>
    Owner,

    /// <summary>By the month of its day.</summary>
    Month,

    /// <summary>By the terms of the customer.</summary>
    Terms,

    /// <summary>By what the posting says of itself, with the reason that was given.</summary>
    Reason,
}
