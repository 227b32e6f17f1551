namespace KiteLine.Core;

/// <summary>The mail server where the company has none of its own set up.</summary>
public interface IMailServer
{
    /// <summary>Whether there is one.</summary>
    bool IsThere { get; }

    /// <summary>Where it takes messages, which it does from then on; null where there is none.</summary>
    MailRoute? Route { get; }

    /// <summary>What arrived, the latest first, at most as many as are asked for.</summary>
    IReadOnlyList<ReceivedMail> Received(int most);

    /// <summary>One that arrived, as it came over the line; null where there is none of that name.</summary>
    byte[]? Get(string name);
}
