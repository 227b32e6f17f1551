namespace KiteLine.Core;

/// <summary>What a customer disputes of one item of an account, in minor units.</summary>
/// <param name="Item">Index of the item among the account's items.</param>
/// <param name="From">The first day of the dispute.</param>
/// <param name="Until">The day on which it was settled, or null.</param>
/// <param name="AgainstCustomer">Whether it ended with the customer owing what was disputed.</param>
public sealed record BookDispute(int Item, long Minor, DateOnly From, DateOnly? Until, bool AgainstCustomer = false)
{
    /// <summary>Whether it holds at the end of a day: from its first day to the day before it was settled.</summary>
    public bool OpenOn(DateOnly day) => From <= day && !(Until <= day);
}
