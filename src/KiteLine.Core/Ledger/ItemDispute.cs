namespace KiteLine.Core;

/// <summary>What a customer disputes of an item.</summary>
/// <param name="Amount">Above zero.</param>
/// <param name="From">The first day of the dispute.</param>
/// <param name="Until">The day on which it was settled, from which on the item is as any other; or null.</param>
/// <param name="AgainstCustomer">Whether it ended with the customer owing what was disputed.</param>
public sealed record ItemDispute(Money Amount, DateOnly From, DateOnly? Until, bool AgainstCustomer = false)
{
    /// <summary>Whether it is open on a day.</summary>
    public bool OpenOn(DateOnly day) => From <= day && !(Until <= day);
}
