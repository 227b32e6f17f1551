using KiteLine.Core;

namespace KiteLine.Web;

/// <summary>A made-up user that the demo offers to sign in as.</summary>
internal sealed record OfferedUser(string Name, string FullName, Role Role, string Password, AuthorityShape Authority);
