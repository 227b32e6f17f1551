namespace KiteLine.Core;

/// <summary>An account handed over to others, who collect what it owes: runs leave it alone meanwhile.</summary>
/// <param name="From">The first day on which it is theirs.</param>
/// <param name="To">Whom it was handed to.</param>
/// <param name="TakenBackOn">The day from which on it is the company's own again, or null.</param>
public sealed record CollectionCase(
    long Id,
    DateOnly From,
    CollectionKind Kind,
    string To,
    DateOnly? TakenBackOn = null
)
{
    /// <summary>Whether it is theirs on a day.</summary>
    public bool HoldsOn(DateOnly day) => From <= day && !(TakenBackOn <= day);

    /// <summary>Why runs leave the account alone, as a sentence.</summary>
    public string Why => $"The account was handed to {To} on {Exactly.Day(From)}.";

    /// <summary>The case that holds on a day, or null.</summary>
    public static CollectionCase? On(BookAccount account, DateOnly day)
    {
        ArgumentNullException.ThrowIfNull(account);
        for (var i = 0; i < account.Collection.Count; i++)
            if (account.Collection[i].HoldsOn(day))
                return account.Collection[i];
        return null;
    }
}
