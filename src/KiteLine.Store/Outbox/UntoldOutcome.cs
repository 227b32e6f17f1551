using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>
/// What came of a message that could not be written down, because the disk was full or the books were locked: it is written
/// before anything else is sent. Lost only with the program, after which nobody knows of that one message.
/// </summary>
public sealed class UntoldOutcome
{
    private (long Id, SendOutcome Outcome)? _untold;

    /// <summary>Whether there is one.</summary>
    public bool Any => _untold is not null;

    /// <summary>Writes one down, or keeps it where that fails.</summary>
    internal void Write(long id, SendOutcome outcome, Action<long, SendOutcome> write)
    {
        _untold = (id, outcome);
        Write(write);
    }

    /// <summary>Writes down what is kept, if anything is.</summary>
    internal void Write(Action<long, SendOutcome> write)
    {
        if (_untold is not { } untold)
            return;
        write(untold.Id, untold.Outcome);
        _untold = null;
    }
}
