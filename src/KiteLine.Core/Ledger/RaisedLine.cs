namespace KiteLine.Core;

/// <summary>What one late charge that stands raised on one item.</summary>
/// <param name="Entry">The posting; lines of one posting were raised together.</param>
/// <param name="Date">The date of the charge's document: days before know nothing of it.</param>
/// <param name="Through">The last day it covers.</param>
/// <param name="Amount">All that was raised on the item, corrections included, without tax.</param>
/// <param name="Policy">The policy as it was, with amounts as it states them; null where it is not known.</param>
/// <param name="AsRaised">
/// Whether the amount stands as it was raised, as by an earlier version of the program; only what moved the balance
/// since
/// then is corrected.
/// </param>
/// <param name="CutTo">The most that the controller let it be, corrections aside; null where it was not cut.</param>
public sealed record RaisedLine(
    long Entry,
    DateOnly Date,
    DateOnly Through,
    Money Amount,
    IChargedBy? Policy,
    bool AsRaised = false,
    Money? CutTo = null
);
