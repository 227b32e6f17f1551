namespace KiteLine.Web;

/// <summary>What became of an order of a file.</summary>
internal enum OrderFileOutcome
{
    /// <summary>Taken and approved.</summary>
    Approved,

    /// <summary>Taken and held.</summary>
    Held,

    /// <summary>Not taken.</summary>
    Refused,
}
