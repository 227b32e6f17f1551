namespace KiteLine.Core;

/// <summary>What came of giving a message to a mail server.</summary>
public abstract record SendOutcome
{
    private SendOutcome() { }

    /// <summary>The server has taken it.</summary>
    /// <param name="NotTo">Addresses that it refused, each with what it said.</param>
    public sealed record Taken(IReadOnlyList<string> NotTo) : SendOutcome;

    /// <summary>The server refused it for good.</summary>
    public sealed record Refused(string Why) : SendOutcome;

    /// <summary>It was not taken, and may be another time.</summary>
    public sealed record Later(string Why) : SendOutcome;

    /// <summary>The line ended while the server was given it.</summary>
    public sealed record Unsure(string Why) : SendOutcome;
}
