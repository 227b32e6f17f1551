namespace KiteLine.Core;

/// <summary>A charge that was posted on an account, or a run of the company's that posted none on it.</summary>
/// <param name="Entry">The posting; of a run without one the last posting of the run. What was posted before is known.</param>
/// <param name="At">When it was posted.</param>
/// <param name="Date">Of the document.</param>
/// <param name="Through">The last day charged.</param>
/// <param name="Lines">What was raised on which items; empty where the run did not charge the account.</param>
/// <param name="ReversedBy">The posting that took it back, or null while it stands.</param>
public sealed record ChargeEvent(
    long Entry,
    DateTimeOffset At,
    DateOnly Date,
    DateOnly Through,
    IReadOnlyList<(long Item, RaisedLine Line)> Lines,
    long? ReversedBy = null
)
{
    /// <summary>Whether it stands as later postings see it.</summary>
    public bool StandsAt(long entry) => Entry < entry && !(ReversedBy < entry);
}
