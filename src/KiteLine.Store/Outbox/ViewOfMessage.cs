using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>Which view a message brings, by which it is made when it goes.</summary>
public sealed record ViewOfMessage(MailedReport Report, string Query, string Format);
