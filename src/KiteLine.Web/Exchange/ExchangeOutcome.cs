namespace KiteLine.Web;

/// <summary>What a row of a file does, or would do.</summary>
internal enum ExchangeOutcome
{
    /// <summary>Its code is not known yet.</summary>
    New,

    /// <summary>It changes the record of its code.</summary>
    Changed,

    /// <summary>The record is so already.</summary>
    Same,

    /// <summary>Something is wrong with it.</summary>
    Refused,
}
