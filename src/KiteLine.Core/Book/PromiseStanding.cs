namespace KiteLine.Core;

/// <summary>How a promise to pay stands on a day, as <see cref="PromiseLedger"/> has it.</summary>
/// <param name="Received">Cash that keeps it, with a value date from the day it was given to the day it was due, as the books
/// show it, in minor units.</param>
/// <param name="ReceivedLate">Cash that came for it after that.</param>
/// <param name="JudgedOn">The first business day after it was due, on which it is kept, part kept or broken.</param>
public sealed record PromiseStanding(
    BookPromise Promise,
    PromiseState State,
    long Received,
    long ReceivedLate,
    DateOnly JudgedOn
)
{
    /// <summary>What is missing of it, in minor units.</summary>
    public long Missing => Math.Max(0, Promise.Minor - Received - ReceivedLate);

    /// <summary>Whether its day has passed, and it was neither kept, kept late, withdrawn nor replaced.</summary>
    public bool IsBroken => State is PromiseState.Broken or PromiseState.PartKept;

    /// <summary>Whether it is still to be kept.</summary>
    public bool IsOpen => State == PromiseState.Waiting;
}
