namespace KiteLine.Core;

/// <summary>By which rule a receipt was set against items, in the order in which they are tried.</summary>
public enum AllocationRule
{
    /// <summary>The remittance text names documents.</summary>
    Named,

    /// <summary>One item needs just what came in.</summary>
    One,

    /// <summary>A set of items needs just what came in.</summary>
    Set,

    /// <summary>Oldest due first, as far as the cash goes.</summary>
    Oldest,

    /// <summary>There is nothing to settle: all stays on account.</summary>
    None,
}
