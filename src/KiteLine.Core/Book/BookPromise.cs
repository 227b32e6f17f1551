namespace KiteLine.Core;

/// <summary>What a customer promised to pay by a day, in minor units.</summary>
/// <param name="MadeOn">The day it was given; money of earlier days does not count towards it.</param>
/// <param name="DueOn">The last day on which it can be kept.</param>
/// <param name="WithdrawnOn">The day on which it was withdrawn or replaced by another, or null.</param>
/// <param name="Replaced">Whether another took its place.</param>
public sealed record BookPromise(
    long Id,
    DateOnly MadeOn,
    DateOnly DueOn,
    long Minor,
    DateOnly? WithdrawnOn = null,
    bool Replaced = false
);
