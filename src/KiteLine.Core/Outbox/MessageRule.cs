namespace KiteLine.Core;

/// <summary>What may be done about a message, and what becomes of it.</summary>
public static class MessageRule
{
    // After each failed try it is waited longer; after the last it has failed.
    private static readonly TimeSpan[] Waits =
    [
        TimeSpan.FromMinutes(1),
        TimeSpan.FromMinutes(5),
        TimeSpan.FromMinutes(15),
        TimeSpan.FromHours(1),
        TimeSpan.FromHours(4),
        TimeSpan.FromHours(12),
    ];

    /// <summary>
    /// States of a message that has not gone out and may still: nothing else about the same goes out beside it.
    /// </summary>
    public static IReadOnlyList<MessageState> UnderWay { get; } =
    [MessageState.Waiting, MessageState.ToPrint, MessageState.Held, MessageState.Sending, MessageState.Unsure];

    /// <summary>States in which a message is withdrawn when what it brings is taken back.</summary>
    public static IReadOnlyList<MessageState> NotGivenYet { get; } =
    [MessageState.Waiting, MessageState.ToPrint, MessageState.Held, MessageState.Failed];

    /// <summary>How often a message is tried before it counts as failed.</summary>
    public static int MostTries => Waits.Length + 1;

    /// <summary>
    /// How long is waited after a try that may succeed another time; null when it was the last.
    /// </summary>
    /// <param name="tries">How often it was tried, this time included; at least 1.</param>
    public static TimeSpan? WaitAfter(int tries)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(tries, 1);
        return tries <= Waits.Length ? Waits[tries - 1] : null;
    }

    /// <summary>The acts that a message in this state may be the object of.</summary>
    public static IReadOnlyList<MessageAct> Possible(MessageState state) =>
        state switch
        {
            MessageState.Waiting => [MessageAct.Hold, MessageAct.Withdraw],
            MessageState.ToPrint => [MessageAct.Printed, MessageAct.Hold, MessageAct.Withdraw],
            MessageState.Held => [MessageAct.Release, MessageAct.Withdraw],
            MessageState.Failed => [MessageAct.TryAgain, MessageAct.Withdraw],
            MessageState.Unsure => [MessageAct.Arrived, MessageAct.TryAgain, MessageAct.Withdraw],
            MessageState.Sending or MessageState.Sent or MessageState.Printed or MessageState.Withdrawn => [],
            _ => throw new ArgumentOutOfRangeException(nameof(state), state, null),
        };

    /// <summary>The state in which an act leaves a message.</summary>
    /// <exception cref="RefusedException">It is not possible in this state; names the field <c>act</c>.</exception>
    public static MessageState After(MessageState state, MessageAct act, Delivery delivery)
    {
        if (!Possible(state).Contains(act))
            throw new RefusedException("act", $"{Told(state)} It stays as it is.");
        return act switch
        {
            MessageAct.Hold => MessageState.Held,
            MessageAct.Release or MessageAct.TryAgain => First(delivery),
            MessageAct.Arrived => MessageState.Sent,
            MessageAct.Printed => MessageState.Printed,
            MessageAct.Withdraw => MessageState.Withdrawn,
            _ => throw new ArgumentOutOfRangeException(nameof(act), act, null),
        };
    }

    /// <summary>The state in which a message starts.</summary>
    public static MessageState First(Delivery delivery) =>
        delivery == Delivery.Email ? MessageState.Waiting : MessageState.ToPrint;

    private static string Told(MessageState state) =>
        state switch
        {
            MessageState.Waiting => "This message waits to be sent.",
            MessageState.ToPrint => "This message waits to be printed.",
            MessageState.Held => "This message is held back.",
            MessageState.Sending => "This message is being sent at this moment.",
            MessageState.Sent => "This message was sent.",
            MessageState.Printed => "This message was printed.",
            MessageState.Failed => "This message could not be sent.",
            MessageState.Unsure => "Nobody knows whether this message went out.",
            MessageState.Withdrawn => "This message was withdrawn.",
            _ => throw new ArgumentOutOfRangeException(nameof(state), state, null),
        };
}
