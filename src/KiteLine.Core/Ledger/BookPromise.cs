namespace KiteLine.Core;

/// <summary>What a customer promised to pay by a day, and what came in for it, in minor units.</summary>
/// <param name="MadeOn">The day it was given; money of earlier days does not count towards it.</param>
/// <param name="DueOn">The last day on which it can be kept.</param>
/// <param name="Received">Cash with a value date from the one to the other.</param>
/// <param name="WithdrawnOn">The day on which it was taken back or replaced by another, or null.</param>
public sealed record BookPromise(DateOnly MadeOn, DateOnly DueOn, long Minor, long Received, DateOnly? WithdrawnOn = null)
{
    /// <summary>How it stands on a day. It is judged on the first day after it was due.</summary>
    public PromiseState On(DateOnly day) =>
        WithdrawnOn <= day ? PromiseState.Withdrawn
        : Received >= Minor ? PromiseState.Kept
        : day <= DueOn ? PromiseState.Waiting
        : Received > 0 ? PromiseState.PartKept : PromiseState.Broken;
}
