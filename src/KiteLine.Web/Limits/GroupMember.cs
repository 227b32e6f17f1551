using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>
/// One account of a group, with its exposure in the group's currency; null where the rate of the day is missing.
/// </summary>
internal sealed record GroupMember(AccountRow Position, Money? Exposure);
