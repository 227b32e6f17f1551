using KiteLine.Store;

namespace KiteLine.Web;

/// <param name="User">Who is signed in, or null.</param>
/// <param name="FirstUse">There is no user yet; the code that the program printed makes one.</param>
internal sealed record SessionView(
    UserView? User,
    bool FirstUse,
    IReadOnlyList<OfferedUser> Offered,
    string BaseCurrency
);
