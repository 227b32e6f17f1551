namespace KiteLine.Core;

/// <summary>How far an entry of a bank statement has come.</summary>
public enum EntryState
{
    /// <summary>Not booked by the bank; only shown.</summary>
    Pending,

    /// <summary>Nothing was decided about it.</summary>
    Waiting,

    /// <summary>It became a posting on a customer's account.</summary>
    Posted,

    /// <summary>It is in the books, and its payer is not known.</summary>
    Unassigned,

    /// <summary>It is no customer's business.</summary>
    Aside,
}
