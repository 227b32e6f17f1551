namespace KiteLine.Core;

/// <summary>How far a message has come.</summary>
public enum MessageState
{
    /// <summary>It is to be e-mailed as soon as its turn comes.</summary>
    Waiting,

    /// <summary>It is to be printed.</summary>
    ToPrint,

    /// <summary>Somebody holds it back.</summary>
    Held,

    /// <summary>The mail server is being given it at this moment.</summary>
    Sending,

    /// <summary>The mail server has taken it.</summary>
    Sent,

    /// <summary>It was printed.</summary>
    Printed,

    /// <summary>It cannot be sent as it is: it was refused, or tried as often as it is tried.</summary>
    Failed,

    /// <summary>
    /// The line to the mail server ended while the server was given it, so that nobody knows whether it went out.
    /// </summary>
    Unsure,

    /// <summary>It is not to go out any more.</summary>
    Withdrawn,
}
