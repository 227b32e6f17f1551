namespace KiteLine.Core;

/// <summary>What becomes of a message after the mail server was given it.</summary>
/// <param name="Wait">How long until it is tried again; null where it is not.</param>
/// <param name="Detail">What is told of it; empty for nothing.</param>
public sealed record SendDecision(MessageState State, TimeSpan? Wait, string Detail)
{
    /// <param name="tries">How often it was tried, this time included; at least 1.</param>
    public static SendDecision Of(SendOutcome outcome, int tries) =>
        outcome switch
        {
            SendOutcome.Taken(var notTo) => new(
                MessageState.Sent,
                null,
                notTo.Count == 0 ? "" : $"Not taken for {string.Join("; ", notTo)}"
            ),
            SendOutcome.Refused(var why) => new(MessageState.Failed, null, why),
            SendOutcome.Unsure(var why) => new(MessageState.Unsure, null, why),
            SendOutcome.Later(var why) => MessageRule.WaitAfter(tries) is { } wait
                ? new(MessageState.Waiting, wait, why)
                : new(MessageState.Failed, null, $"Tried {tries} times, the last time: {why}"),
            _ => throw new ArgumentOutOfRangeException(nameof(outcome), outcome, null),
        };
}
