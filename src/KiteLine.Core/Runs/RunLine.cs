namespace KiteLine.Core;

/// <summary>What one account comes to in a run.</summary>
public sealed record RunLine
{
    /// <summary>What is raised, with its tax; or what the letter asks for.</summary>
    public required Money Amount { get; init; }

    /// <summary>The tax within the amount of a late charge.</summary>
    public required Money Tax { get; init; }

    /// <summary>The fee that a letter asks for.</summary>
    public required Money Fee { get; init; }

    /// <summary>The late charge that a letter states, with its tax.</summary>
    public required Money Interest { get; init; }

    /// <summary>The level at which a letter speaks; 0 in a run of late charges, and where there is no letter.</summary>
    public int Level { get; init; }

    /// <summary>The day a letter asks to be paid by.</summary>
    public DateOnly? PayBy { get; init; }

    /// <summary>What is charged or asked for, item by item, oldest due first.</summary>
    public IReadOnlyList<RunItem> Items { get; init; } = [];

    /// <summary>Items that are left out, each with its reason.</summary>
    public IReadOnlyList<RunItem> ItemsLeftOut { get; init; } = [];

    /// <summary>Why the account is left out, as a sentence; null where it is not.</summary>
    public string? LeftOut { get; init; }

    /// <summary>Whether it can be taken in all the same.</summary>
    public bool CanTakeIn { get; init; }

    /// <summary>
    /// Whether posting this posts what the other proposed: the same amounts for the same items, or left out alike.
    /// </summary>
    public bool SameAs(RunLine other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return (LeftOut is null) == (other.LeftOut is null)
            && (Amount, Tax, Fee, Interest, Level, PayBy)
                == (other.Amount, other.Tax, other.Fee, other.Interest, other.Level, other.PayBy)
            && Items.SequenceEqual(other.Items);
    }

    /// <summary>Nothing is left to do for an account that the run had something to do with.</summary>
    public static RunLine Nothing(Currency currency, RunKind kind) =>
        Empty(currency) with
        {
            LeftOut =
                kind == RunKind.Reminders ? "Nothing is overdue any more." : "There is nothing to charge any more.",
        };

    internal static RunLine Empty(Currency currency) =>
        new()
        {
            Amount = Money.Zero(currency),
            Tax = Money.Zero(currency),
            Fee = Money.Zero(currency),
            Interest = Money.Zero(currency),
        };
}
