namespace KiteLine.Web;

internal sealed record PolicyUsers(long Total, IReadOnlyList<PolicyUser> First);
