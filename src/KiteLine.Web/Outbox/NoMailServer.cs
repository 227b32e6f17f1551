using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>No mail server but the one that the settings name.</summary>
internal sealed class NoMailServer : IMailServer
{
    public bool IsThere => false;

    public MailRoute? Route => null;

    public IReadOnlyList<ReceivedMail> Received(int most) => [];

    public byte[]? Get(string name) => null;
}
