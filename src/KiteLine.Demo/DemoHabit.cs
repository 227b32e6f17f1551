namespace KiteLine.Demo;

/// <summary>How a customer of the demo behaves.</summary>
internal enum DemoHabit
{
    /// <summary>Pays within the discount window.</summary>
    Early,

    /// <summary>Pays everything due on the last day of the month.</summary>
    MonthEnd,

    /// <summary>Pays in full two to five weeks late.</summary>
    SlowButSure,

    /// <summary>Pays on time, always short by the bank's fee.</summary>
    ShortByFee,

    /// <summary>Takes the discount a few days after it has ended.</summary>
    DiscountLate,

    /// <summary>Buys more each month and passes its limit.</summary>
    Growing,

    /// <summary>Leaves every fifth invoice unpaid.</summary>
    Disputing,

    /// <summary>Paid well until it stopped.</summary>
    GoneQuiet,

    /// <summary>Pays parts, in round sums.</summary>
    RoundSums,
}
