using KiteLine.Core;

namespace KiteLine.Store;

/// <summary>A view that is mailed, as it is kept.</summary>
/// <param name="LastOn">The business date on which it went out last by itself; null before the first time.</param>
public sealed record StoredMailedView(long Id, MailedView View, DateOnly? LastOn, string MadeBy, string MadeAt);
